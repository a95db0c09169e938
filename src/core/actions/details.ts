import { type DetailsRecord, noDetails } from '../records/details';
import type { Diff } from '../records/diff';
import { type Document, find } from '../records/document';
import { Edit } from './edit';

/** Says something of the publication; every field that shows it shows it so. */
export function setDetails(document: Document, change: Partial<Omit<DetailsRecord, 'id' | 'kind'>>): Diff {
  const edit = new Edit(document);
  edit.put({ ...(find(document, 'details', 'details') ?? noDetails('en-GB')), ...change });
  return edit.diff();
}
