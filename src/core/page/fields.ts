import { type Document, find } from '../records/document';
import type { FieldName } from '../records/text';

/** What each field shows on one page. */
export type FieldValues = Readonly<Record<FieldName, string>>;

export function fieldValues(document: Document, pageNumber: number): FieldValues {
  const issue = find(document, 'issue', 'issue');
  return {
    folio: String(pageNumber),
    publication: issue?.publication ?? '',
    number: issue?.number ?? '',
    season: issue?.season ?? '',
  };
}
