import type { EditionBlock, EditionFigure } from '@/core/handoff/reading/edition';
import type { Kind, OutBlock, OutParagraph } from '@/core/handoff/reading/outline';
import type { Dress } from './blocks';
import type { HouseType } from './houseType';
import type { ShownPicture } from './shownPicture';

/** What an edition is made from besides its words, whatever it is read on. */
export interface EditionSources {
  readonly type: HouseType;
  /** Files of a picture; undefined where it cannot be shown. */
  readonly picture: (figure: EditionFigure) => ShownPicture | undefined;
  /** The same of a picture in a line, by its id. */
  readonly inline: (picture: string) => ShownPicture | undefined;
  readonly cover: ShownPicture | undefined;
}

/** How paragraphs are written in a story, whose title is said elsewhere. */
export const STORY_TAGS: Readonly<Record<Kind, string>> = {
  headline: 'p',
  heading: 'h2',
  standfirst: 'p',
  byline: 'p',
  paragraph: 'p',
  quotation: 'p',
  caption: 'p',
};

/** A paragraph that is the last of its story: it bears its style's end mark. */
interface Ending extends OutParagraph {
  readonly ends: true;
}

/** The blocks of a story with the last paragraph told. */
export function ending(blocks: readonly EditionBlock[]): (EditionBlock | Ending)[] {
  const at = blocks.findLastIndex((block) => block.is === 'paragraph');
  return blocks.map((block, i) => (i === at && block.is === 'paragraph' ? { ...block, ends: true } : block));
}

/** How paragraphs and letters look in the house’s type. */
export const typed = (type: HouseType): Pick<Dress, 'classOf' | 'parted' | 'runClass'> => ({
  classOf: (block) => [type.classOf(block), 'ends' in block ? 'ends' : ''].filter(Boolean).join(' '),
  parted: (block) => type.parted(block),
  runClass: (run, within) => type.runClass(run, within),
});

/** The paragraph of a headline that is set largest: it is the title, whatever stands over it. */
export function titleIn(headline: readonly OutBlock[], type: HouseType): OutParagraph | undefined {
  const size = ({ style }: OutParagraph): number => type.paragraph(style).size;
  return headline
    .filter((block) => block.is === 'paragraph')
    .reduce<OutParagraph | undefined>((best, each) => (best && size(best) >= size(each) ? best : each), undefined);
}

/** A pull quote is no quotation of somebody else: its paragraphs are plain. */
export const asPlain = (block: OutBlock): OutBlock => (block.is === 'paragraph' ? { ...block, kind: 'paragraph' } : block);
