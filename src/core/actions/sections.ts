import { placedPages } from '../page/pages';
import type { Diff } from '../records/diff';
import { all, type Document, find } from '../records/document';
import type { SectionRecord } from '../records/index';
import type { Folios } from '../records/section';
import { said } from '../records/said';
import { ActionError, Edit, newId } from './edit';

/** Lets a section begin on a page, or says otherwise what the one that begins there is. @throws ActionError */
export function setSection(
  document: Document,
  from: string,
  { name, folios }: { name: string; folios?: Folios | undefined },
): Diff {
  const edit = new Edit(document);
  if (!placedPages(document).some(({ page }) => page.id === from)) throw new ActionError('That page is no longer in the issue.');
  if (!name.trim()) throw new ActionError('A section needs a name.');
  if (folios && !(Number.isInteger(folios.start) && folios.start >= 1 && folios.start <= 9999))
    throw new ActionError('Folios begin with a number from 1 to 9999.');
  const before = all(document, 'section').find((section) => section.from === from);
  edit.put<SectionRecord>(said({ id: before?.id ?? newId(), kind: 'section', name: name.trim(), from, folios }));
  return edit.diff();
}

/** Lets the section before go on where this one began. */
export function removeSection(document: Document, id: string): Diff {
  const edit = new Edit(document);
  if (find(document, 'section', id)) edit.remove(id);
  return edit.diff();
}
