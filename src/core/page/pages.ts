import { overlaps } from '../geometry/box';
import { type Document, all, find, framesOn, get, threadOf } from '../records/document';
import type { FormatRecord, FrameRecord, MasterRecord, PageRecord, SectionRecord } from '../records/index';
import type { Folios } from '../records/section';
import { folioOf } from './folio';

/** A page with what follows from its place in the issue. */
export interface PlacedPage {
  readonly page: PageRecord;
  /** Counted from 1, whatever its folio. */
  readonly number: number;
  /** As it is printed: "7", "iv", "A1". */
  readonly folio: string;
  /** The section or department it belongs to. */
  readonly section: SectionRecord | undefined;
  readonly side: 'left' | 'right';
  readonly master: MasterRecord;
  /** Which spread it lies in, counted from 0. */
  readonly spread: number;
  /** Where its left trim edge lies in the coordinates of its spread (points): 0 or one page width. */
  readonly dx: number;
}

const placed = new WeakMap<Document, readonly PlacedPage[]>();

/** The pages of an issue in order, with number, side and spread. */
export function placedPages(document: Document): readonly PlacedPage[] {
  let list = placed.get(document);
  if (!list) placed.set(document, (list = place(document)));
  return list;
}

function place(document: Document): PlacedPage[] {
  const format = formatOf(document);
  const begins = new Map(all(document, 'section').map((section) => [section.from, section]));
  let spread = -1;
  let section: SectionRecord | undefined;
  let numbered: { readonly folios: Folios; readonly from: number } = { folios: PLAIN_FOLIOS, from: 0 };
  return all(document, 'page').map((page, i) => {
    const begun = begins.get(page.id);
    section = begun ?? section;
    if (begun?.folios) numbered = { folios: begun.folios, from: i };
    const onFirstSide = i % 2 === 0;
    const side = !format.facing || onFirstSide === (format.firstSide === 'right') ? 'right' : 'left';
    if (!format.facing || side === 'left' || i === 0) spread++;
    return {
      page,
      number: i + 1,
      folio: folioOf(numbered.folios, i - numbered.from),
      section,
      side,
      master: find(document, 'master', page.master) ?? all(document, 'master')[0] ?? BARE_MASTER,
      spread,
      dx: format.facing && side === 'right' ? format.width : 0,
    };
  });
}

/** For a document that has lost all its masters: it opens, on one column. */
const BARE_MASTER: MasterRecord = {
  id: 'bare',
  kind: 'master',
  name: 'No master',
  margins: { top: 36, bottom: 36, inner: 36, outer: 36 },
  columns: 1,
  gutter: 0,
  textSpan: 1,
};

const PLAIN_FOLIOS: Folios = { style: '1', prefix: '', start: 1 };

export const formatOf = (document: Document): FormatRecord => get(document, 'format', 'format');

/** A master and those it is based on, the deepest first; one that is met again in a circle counts once. */
export function mastersUnder(document: Document, id: string): readonly MasterRecord[] {
  const chain: MasterRecord[] = [];
  for (let at = find(document, 'master', id); at && !chain.includes(at); at = find(document, 'master', at.basedOn))
    chain.unshift(at);
  return chain;
}

/** What a master shows on pages of a side, the lowest first: the frames of those it is based on, then its own. */
export function masterFrames(document: Document, id: string, side: 'left' | 'right'): FrameRecord[] {
  return shownOf(
    document,
    mastersUnder(document, id).map((master) => master.id),
    side,
  );
}

/**
 * What a page shows of its master: all but the frames in whose place others stand, and without a flow area that text of
 * the page's own lies in, since then the page is laid out otherwise.
 */
export function inheritedFrames(document: Document, { page, master, side }: PlacedPage): FrameRecord[] {
  const own = framesOn(document, page.id);
  const texts = own.filter(({ content }) => content.type === 'text' || content.type === 'slot');
  const isFlow = ({ content }: FrameRecord) => content.type === 'slot' && content.takes === 'flow';
  return shownOf(document, [...mastersUnder(document, master.id).map(({ id }) => id), page.id], side).filter(
    (frame) => frame.on !== page.id && !(isFlow(frame) && texts.some(({ box }) => overlaps(box, frame.box, 1))),
  );
}

function shownOf(document: Document, surfaces: readonly string[], side: 'left' | 'right'): FrameRecord[] {
  const frames = surfaces.flatMap((surface) => framesOn(document, surface));
  const stoodIn = new Set(frames.flatMap(({ of }) => of ?? []));
  return frames.filter((frame) => !stoodIn.has(frame.id) && (frame.side === 'both' || frame.side === side));
}

/** The masters of a document: those that show something of their own first, then by name. */
export function mastersOf(document: Document): readonly MasterRecord[] {
  const shows = (master: MasterRecord) => framesOn(document, master.id).length > 0;
  return [...all(document, 'master')].sort(
    (a, b) => Number(shows(b)) - Number(shows(a)) || a.name.localeCompare(b.name, 'en') || (a.id < b.id ? -1 : 1),
  );
}

/** The pages spread by spread. */
export function spreads(document: Document): PlacedPage[][] {
  const out: PlacedPage[][] = [];
  for (const page of placedPages(document)) (out[page.spread] ??= []).push(page);
  return out;
}

/** The pages that are in sight first, where one of them is to be; those it begins with otherwise, and none where there are none. */
export function spreadAt(document: Document, page: string | undefined): readonly PlacedPage[] {
  const every = spreads(document);
  return every[placedPage(document, page ?? '')?.spread ?? 0] ?? [];
}

const byId = new WeakMap<readonly PlacedPage[], ReadonlyMap<string, PlacedPage>>();

/** @returns undefined when the page is not there */
export function placedPage(document: Document, id: string): PlacedPage | undefined {
  const pages = placedPages(document);
  let index = byId.get(pages);
  if (!index) byId.set(pages, (index = new Map(pages.map((placed) => [placed.page.id, placed]))));
  return index.get(id);
}

/** The frames of a text that lie on pages, not on masters, in the order of its thread. */
export const framesOnPages = (document: Document, text: string): FrameRecord[] =>
  threadOf(document, text).filter(({ on }) => placedPage(document, on));
