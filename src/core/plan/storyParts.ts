import { bodyText } from '../records/body';
import { all, type Document, find, threadOf } from '../records/document';
import type { PictureRecord, StoryRecord, TextRecord } from '../records/index';
import type { TextRole } from '../records/text';

/** A part of a story as Copy shows it. */
export interface StoryPart {
  readonly text: TextRecord;
  readonly called: string;
}

const CALLED: Readonly<Record<TextRole, string>> = {
  headline: 'Headline',
  standfirst: 'Standfirst',
  byline: 'Byline',
  body: 'Body',
  caption: 'Caption',
  credit: 'Credit',
  quote: 'Pull quote',
  furniture: 'Text',
};

/** The texts of a story: headline, standfirst, byline and body, then captions, credits and pull quotes that have been put on pages. */
export function storyParts(document: Document, story: StoryRecord): StoryPart[] {
  const { headline, standfirst, byline, body } = story.parts;
  const own = [headline, standfirst, byline, body].flatMap((id) => find(document, 'text', id) ?? []);
  const ids = new Set(own.map(({ id }) => id));
  const others = all(document, 'text').filter(
    (text) => text.story === story.id && !ids.has(text.id) && (text.role !== 'quote' || threadOf(document, text.id).length > 0),
  );
  return [...own, ...others].map((text) => ({ text, called: CALLED[text.role] }));
}

/** The pictures that came with a story, or stand on its pages beside its text. */
export const storyPictures = (document: Document, story: StoryRecord): PictureRecord[] => {
  const pages = new Set(threadOf(document, story.parts.body).map(({ on }) => on));
  const shown = new Set(
    all(document, 'frame').flatMap((frame) =>
      pages.has(frame.on) && frame.content.type === 'picture' ? [frame.content.picture] : [],
    ),
  );
  return all(document, 'picture').filter((picture) => picture.story === story.id || shown.has(picture.id));
};

/** Who writes a story: what is said of it, else what its byline says. */
export function writerOf(document: Document, story: StoryRecord): string {
  if (story.writer) return story.writer;
  const byline = find(document, 'text', story.parts.byline);
  return byline ? writerIn(bodyText(byline.body)) : '';
}

/** Who a byline says it is by. */
export const writerIn = (byline: string): string =>
  byline
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/^(words\s+)?by\s+/i, '');
