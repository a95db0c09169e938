import { type DetailName, noDetails } from '../records/details';
import type { Diff } from '../records/diff';
import { type Document, find } from '../records/document';
import { Edit } from './edit';

/** Says something of the publication; every field that shows it shows it so. */
export function setDetail(document: Document, name: DetailName | 'language', words: string): Diff {
  const edit = new Edit(document);
  edit.put({ ...(find(document, 'details', 'details') ?? noDetails('en-GB')), [name]: words });
  return edit.diff();
}
