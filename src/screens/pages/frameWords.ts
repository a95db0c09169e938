import { pageGrid, stretchOf, stretchWords } from '@/core/page/grid';
import { formatOf, type PlacedPage } from '@/core/page/pages';
import { type Document, find } from '@/core/records/document';
import type { Box } from '@/core/geometry/box';
import type { FrameRecord, StoryRecord, TextRecord } from '@/core/records/index';
import { paragraphsOf } from '@/core/records/body';
import type { Node } from 'prosemirror-model';
import type { FieldAttrs } from '@/core/records/text';
import { FIELD_WORDS } from '../frame/fieldWords';
import type { Fit } from '@/core/compose/fit';
import type { Lengths, SlotTakes, Wrap } from '@/core/records/frame';
import { formatLength } from '@/core/length/length';

/** The text a frame shows, and the story it is part of. */
export function textOf(document: Document, frame: FrameRecord): { text: TextRecord; story: StoryRecord | undefined } | undefined {
  const text = frame.content.type === 'text' ? find(document, 'text', frame.content.text) : undefined;
  return text && { text, story: find(document, 'story', text.story) };
}

const ROLE_NAMES: Readonly<Record<TextRecord['role'], string>> = {
  headline: 'Headline',
  standfirst: 'Standfirst',
  byline: 'Byline',
  body: 'Text',
  caption: 'Caption',
  credit: 'Credit',
  quote: 'Pull quote',
  furniture: 'Text',
};

export const SLOT_NAMES: Readonly<Record<SlotTakes, string>> = {
  headline: 'Slot for a headline',
  standfirst: 'Slot for a standfirst',
  byline: 'Slot for a byline',
  body: 'Slot for text',
  flow: 'Flow area',
};

/** The words of a text, a field by its name. */
const spoken = (body: Node): string =>
  paragraphsOf(body)
    .map(({ content }) =>
      content.content
        .map((node) => (node.type.name === 'field' ? FIELD_WORDS[(node.attrs as FieldAttrs).name] : (node.text ?? ' ')))
        .join(''),
    )
    .join('\n');

/** What a frame is, in words: "Text, The spar remembers". */
export function frameName(document: Document, frame: FrameRecord): string {
  const { content } = frame;
  switch (content.type) {
    case 'text': {
      const of = textOf(document, frame);
      if (!of) return 'Text';
      const own = of.story?.name ?? spoken(of.text.body).slice(0, 40).trim();
      return own ? `${ROLE_NAMES[of.text.role]}, ${own}` : ROLE_NAMES[of.text.role];
    }
    case 'picture': {
      const picture = find(document, 'picture', content.picture);
      return picture ? `Picture, ${picture.name}` : 'Picture frame, empty';
    }
    case 'slot':
      return `${SLOT_NAMES[content.takes]}, ${content.name}`;
    case 'advertisement':
      return `Advertisement, ${find(document, 'advertisement', content.advertisement)?.name ?? 'free'}`;
    case 'panel':
      return 'Panel';
    case 'rule':
      return 'Rule';
  }
}

/** Where a box lies on its page, in grid terms. */
export function placeWords(document: Document, page: PlacedPage, box: Box): string {
  const grid = pageGrid(formatOf(document), page.master, page.side);
  const at = stretchOf(grid, box);
  return stretchWords(at) + (at.onColumns ? '' : ', off the columns');
}

/** A stand-off in words: one length, or one for each side, clockwise from the top. */
export function standOffWords(standOff: Lengths): string {
  if (typeof standOff === 'number') return formatLength(standOff, 'mm');
  const { top, right, bottom, left } = standOff;
  return [top, right, bottom, left].map((side) => formatLength(side, 'mm')).join(', ');
}

const WRAPS: Readonly<Record<Wrap['mode'], string>> = { none: 'None', frame: 'Frame', outline: 'Outline', clear: 'Clear' };

/** A text wrap in words: "Outline, 4 mm". */
export const wrapWords = (wrap: Wrap): string =>
  wrap.mode === 'none' ? WRAPS.none : `${WRAPS[wrap.mode]}, ${standOffWords(wrap.standOff)}`;

/** What the typesetter could not do as it was asked, a sentence each. */
export function troubleWords(fit: Fit): string[] {
  const count = (n: number, one: string, more: string) => (n === 1 ? `1 ${one}` : `${n} ${more}`);
  return [
    ...(fit.overfull > 0 ? [`${count(fit.overfull, 'line is', 'lines are')} longer than the column is wide.`] : []),
    ...(fit.gaveWay > 0 ? [`${count(fit.gaveWay, 'wish', 'wishes')} to keep lines together gave way.`] : []),
    ...(fit.missing > 0 ? [`${count(fit.missing, 'character is', 'characters are')} in no face, and shown as boxes.`] : []),
    ...(fit.lacks.length > 0 ? [`Its face lacks ${fit.lacks.join(', ')}: another stands in, or it is left out.`] : []),
    ...(fit.unsettled ? ['Page numbers in it kept changing how it runs; it was taken as it stood.'] : []),
  ];
}

const TAKES: Readonly<Record<SlotTakes, string>> = {
  headline: 'Headline',
  standfirst: 'Standfirst',
  byline: 'Byline',
  body: 'Text',
  flow: 'Flow area',
};

/** What a frame that nothing fills waits for, and how many words of it. */
export function waitingWords({ content }: FrameRecord, words: number | undefined): [string, string | undefined] {
  if (content.type === 'picture') return ['Picture', undefined];
  if (content.type === 'advertisement') return ['Advertisement', undefined];
  if (content.type !== 'slot') return ['', undefined];
  const { takes, name } = content;
  const what = takes === 'flow' ? TAKES.flow : `${TAKES[takes]} · ${name}`;
  return [what, words === undefined ? undefined : `${words.toLocaleString('en-GB')} words`];
}
