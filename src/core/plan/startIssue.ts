import { generateNKeysBetween } from 'fractional-indexing';
import { nanoid } from 'nanoid';
import { mastersOf } from '../page/pages';
import { documentOf } from '../records/document';
import type { DocumentRecord } from '../records/index';

/** What is said of an issue when it is started. */
export interface NewIssue {
  readonly publication: string;
  readonly number: string;
  readonly season: string;
  readonly date: string;
  readonly language: string;
  readonly pages: number;
}

/**
 * The records of an issue that begins: a copy of its house as it now is, and empty pages on the house's first master;
 * covers, the first page and the last, on the one without folios where there is one.
 */
export function startIssue(house: readonly DocumentRecord[], { pages, ...issue }: NewIssue): DocumentRecord[] {
  const masters = mastersOf(documentOf(house));
  const onMaster = new Set(masters.map(({ id }) => id));
  const design = house.filter((record) =>
    record.kind === 'frame'
      ? onMaster.has(record.on)
      : record.kind !== 'page' && record.kind !== 'story' && record.kind !== 'issue',
  );
  // The first shows most; the last, where there are several, least.
  const text = masters[0]!;
  const plain = masters.at(-1)!;
  const orders = generateNKeysBetween(null, null, pages);
  return [
    { id: 'issue', kind: 'issue', ...issue },
    ...design,
    ...orders.map((order, i): DocumentRecord => ({
      id: nanoid(10),
      kind: 'page',
      order,
      master: i === 0 || i === pages - 1 ? plain.id : text.id,
    })),
  ];
}

/** What is wrong with a number of pages for stitched work, and what would mend it; undefined when nothing is. */
export function pageCountAdvice(pages: number): { readonly less: number; readonly more: number } | undefined {
  return pages % 4 === 0 ? undefined : { less: Math.max(4, pages - (pages % 4)), more: pages + (4 - (pages % 4)) };
}
