import type { NewPicture } from '@/core/actions/pictures';
import type { NewStory } from '@/core/actions/stories';
import { bodyOf } from '@/core/records/body';
import { all, type Document } from '@/core/records/document';
import type { StoryRecord } from '@/core/records/index';
import type { Copy } from '@/formats/copy/blocks';
import { guessedLineEnds, type LineEnds, readPlainText } from '@/formats/copy/plainText';
import { copyOf, type SentWords } from '@/formats/copy/sent';
import { type HouseStyles, type Mapping, type ReadStory, storyOf } from '@/formats/copy/story';

/** What the server gives for a file of copy. */
export interface Brought {
  readonly copy: SentWords;
  /** Its pictures, as they were kept; nothing for one that could not be read. */
  readonly pictures: readonly (NewPicture | null)[];
}

/** Copy that waits to be taken in. */
export interface Arrived {
  /** What it is known by when it comes again: the name of its file, or what its wire knows it by. */
  readonly file: string;
  /** What it is called meanwhile. */
  readonly called: string;
  /** As it came, for another try in another encoding. */
  readonly source: File | undefined;
  readonly copy: Copy;
  readonly pictures: readonly (NewPicture | null)[];
  /** What line ends of plain text mean. */
  readonly lineEnds: LineEnds | undefined;
}

export function arrived(source: File, { copy, pictures }: Brought): Arrived {
  return {
    file: source.name,
    called: source.name,
    source,
    copy: copyOf(copy),
    pictures,
    lineEnds: copy.plain === undefined ? undefined : guessedLineEnds(copy.plain),
  };
}

/** News of a wire, known by its address there. */
export const arrivedByWire = (uri: string, headline: string, { copy, pictures }: Brought): Arrived => ({
  file: uri,
  called: headline,
  source: undefined,
  copy: copyOf(copy),
  pictures,
  lineEnds: undefined,
});

/** The same with another meaning of its line ends. */
export const withLineEnds = (of: Arrived, lineEnds: LineEnds): Arrived => ({
  ...of,
  lineEnds,
  copy: { ...of.copy, blocks: readPlainText(of.copy.plain!, lineEnds) },
});

export const houseStyles = (document: Document): HouseStyles => ({
  paragraph: all(document, 'paragraphStyle'),
  character: all(document, 'characterStyle'),
});

/** A story as an action takes it, and the pictures that come with it. */
export function toBringIn(of: Arrived, story: ReadStory): { story: NewStory; pictures: NewPicture[] } {
  const { name, headline, standfirst, byline, body } = story;
  return {
    story: {
      name,
      headline,
      file: of.file,
      notes: of.copy.notes,
      ...(standfirst ? { standfirst } : {}),
      ...(byline ? { byline } : {}),
      body: bodyOf(body),
    },
    pictures: story.pictures.flatMap(({ index, caption, credit }) => {
      const own = of.pictures[index];
      return own ? [{ ...own, name: `${name}, ${own.name}`, caption: caption || own.caption, credit: credit || own.credit }] : [];
    }),
  };
}

export const storyIn = (document: Document, of: Arrived, mapping: Mapping): ReadStory =>
  storyOf(of.copy, mapping, houseStyles(document));

/** The story that came in the same file before. */
export const storyFrom = (document: Document, file: string): StoryRecord | undefined =>
  all(document, 'story').find((story) => story.file === file);
