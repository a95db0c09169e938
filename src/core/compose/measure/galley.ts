import type { Node } from 'prosemirror-model';
import type { TextPlace } from '../../editing/places';
import { translation } from '../../geometry/matrix';
import { sidesOf } from '../../records/frame';
import { type Document, documentOf, get, threadOf } from '../../records/document';
import type { Composer } from '../composer';
import { caretAt } from '../displayList/caret';
import type { PageList, TextItem } from '../displayList/displayList';
import { bareSurface, framed, measuresOf } from './surface';

/** A text that is set in a galley: one column of its true measure, away from any page. */
export interface GalleyText {
  readonly name: string;
  readonly body: Node;
  /** Points. */
  readonly measure: number;
}

/** A text as it is set in a galley, painted like a page of that name. */
export interface GalleyPart {
  readonly name: string;
  readonly list: PageList;
  /** Baselines of its lines, points from its top. */
  readonly baselines: readonly number[];
}

const GALLEY = 'galley ';

/** What a text in a galley is called among pages. */
export const galleyOf = (name: string): string => `${GALLEY}${name}`;

export const isGalley = (page: string): boolean => page.startsWith(GALLEY);

/** Texts of a document, or to be of it, as they are set by themselves in its styles. @throws FaceError */
export function galley(document: Document, composer: Composer, texts: readonly GalleyText[]): GalleyPart[] {
  const records = texts.flatMap(({ name, body, measure }) => framed(name, body, measure));
  const { pages } = composer.compose(documentOf([...bareSurface(document), ...records]));
  const items = new Map(pages[0]!.items.flatMap((item) => (item.type === 'text' ? [[item.frame, item] as const] : [])));
  return texts.flatMap(({ name }) => {
    const item = items.get(`frame-${name}`);
    return item ? [partOf(name, item)] : [];
  });
}

/** Points around a galley, where accents and tails may hang over. */
const RIM = 3;

const made = new WeakMap<TextItem, GalleyPart>();

function partOf(name: string, item: TextItem): GalleyPart {
  let part = made.get(item);
  if (!part) {
    const { x, y, w, h } = item.box;
    const list: PageList = {
      page: galleyOf(name),
      number: 0,
      side: 'right',
      width: w + 2 * RIM,
      height: h + 2 * RIM,
      bleed: 0,
      furniture: 0,
      items: [{ ...item, text: name, transform: translation(RIM - x, RIM - y) }],
    };
    const lines = item.columns.flatMap((column) => column.lines);
    part = { name, list, baselines: lines.map(({ baseline }) => baseline - y + RIM) };
    made.set(item, part);
  }
  return part;
}

/** Where in a galley the space of its text ends, points from its top: in front of the line with the first word that no frame shows. */
export const endOfSpace = ({ list, name }: GalleyPart, from: TextPlace): number | undefined => caretAt([list], name, from)?.box.y;

/** The measure that a text has where it begins, or will have: that of body text in a column of the house, of others its type area. */
export function measureOf(document: Document, text: string): number {
  const frame = threadOf(document, text)[0];
  if (frame?.content.type === 'text') {
    const { columns, gutter, inset, turns } = frame.content;
    const { top, right, bottom, left } = sidesOf(inset);
    const isTurned = (turns ?? 0) % 2 === 1;
    const room = isTurned ? frame.box.h - top - bottom : frame.box.w - left - right;
    return Math.max(1, (room - gutter * (columns - 1)) / columns);
  }
  const { body, area } = measuresOf(document);
  return get(document, 'text', text).role === 'body' ? body : area;
}
