import { type DetailName, noDetails } from '../records/details';
import type { Unit } from '../length/length';
import type { Diff } from '../records/diff';
import { type Document, find } from '../records/document';
import { Edit } from './edit';

/** Says something of the publication; every field that shows it shows it so. */
export function setDetail(document: Document, name: DetailName | 'language', words: string): Diff {
  const edit = new Edit(document);
  edit.put({ ...(find(document, 'details', 'details') ?? noDetails('en-GB')), [name]: words });
  return edit.diff();
}

/** Sets the unit in which lengths on the publication's pages are read and typed. */
export function setUnit(document: Document, unit: Unit): Diff {
  const edit = new Edit(document);
  edit.put({ ...(find(document, 'details', 'details') ?? noDetails('en-GB')), unit });
  return edit.diff();
}
