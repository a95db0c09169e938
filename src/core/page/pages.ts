import { type Document, all, find, framesOn, get } from '../records/document';
import type { FormatRecord, MasterRecord, PageRecord } from '../records/index';

/** A page with what follows from its place in the issue. */
export interface PlacedPage {
  readonly page: PageRecord;
  readonly number: number;
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
  let spread = -1;
  return all(document, 'page').map((page, i) => {
    const onFirstSide = i % 2 === 0;
    const side = !format.facing || onFirstSide === (format.firstSide === 'right') ? 'right' : 'left';
    if (!format.facing || side === 'left' || i === 0) spread++;
    return {
      page,
      number: i + 1,
      side,
      master: find(document, 'master', page.master) ?? get(document, 'master', all(document, 'master')[0]!.id),
      spread,
      dx: format.facing && side === 'right' ? format.width : 0,
    };
  });
}

export const formatOf = (document: Document): FormatRecord => get(document, 'format', 'format');

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

/** @returns undefined when the page is not there */
export function placedPage(document: Document, id: string): PlacedPage | undefined {
  return placedPages(document).find(({ page }) => page.id === id);
}
