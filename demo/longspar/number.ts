import { generateNKeysBetween } from 'fractional-indexing';
import type { Node } from 'prosemirror-model';
import { fieldOf, paragraphOf, plainParagraphs } from '@/core/records/body';
import { documentOf, type Document } from '@/core/records/document';
import type { IssueRecord } from '@/core/records/index';
import { LONGSPAR_HOUSE } from './house';

/**
 * A number of Longspar with nothing on its pages yet.
 *
 * @param plain pages whose pictures or advertisements fill them, counted from 1: no folio stands on those
 */
export function numberOf(
  said: Pick<IssueRecord, 'number' | 'season' | 'date'>,
  pages: number,
  plain: ReadonlySet<number>,
): Document {
  return documentOf([
    { id: 'issue', kind: 'issue', publication: 'Longspar', ...said, language: 'en-GB', house: { seq: 0, settled: {} } },
    ...LONGSPAR_HOUSE,
    ...generateNKeysBetween(null, null, pages).map((order, i) => ({
      id: `p${i + 1}`,
      kind: 'page' as const,
      order,
      master: plain.has(i + 1) ? 'plain' : 'feature',
    })),
  ]);
}

/** An entry of the contents: the page its story begins on, wherever that may be, its title and a note. */
export const entry = (story: string, title: string, note: string): Node[] => [
  paragraphOf({ style: 'contentsFolio' }, [fieldOf({ name: 'folio', of: story })]),
  ...plainParagraphs('contentsStory', title),
  ...plainParagraphs('contentsNote', note),
];
