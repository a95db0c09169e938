import { nanoid } from 'nanoid';
import { NO_DIFF } from '@/core/records/diff';
import type { IssueRecord } from '@/core/records/index';
import { documentHead, loadRecords, storeChange } from '@/store/documents';
import { listPublications, setDocumentName, setName, setRemoved } from '@/store/publications';
import { FieldError, NotThereError } from '../errors';
import { issueName } from './newIssue';

/** @throws FieldError, NotThereError */
export async function renamePublication(id: string, name: string): Promise<void> {
  const own = name.trim();
  if (own === '') throw new FieldError('name', 'A publication has a name.');
  const others = (await listPublications()).filter((each) => each.id !== id);
  if (others.some((each) => each.name.toLowerCase() === own.toLowerCase()))
    throw new FieldError('name', `“${own}” is on the shelf already.`);
  if (!(await setName(id, own))) throw new NotThereError('There is no such publication.');
}

/** Takes a publication off the shelf with all its issues, or puts it back. @throws NotThereError */
export async function setPublicationRemoved(id: string, removed: boolean): Promise<void> {
  if (!(await setRemoved('publication', id, removed))) throw new NotThereError('There is no such publication.');
}

/** Takes an issue off the shelf, or puts it back. @throws NotThereError */
export async function setIssueRemoved(id: string, removed: boolean): Promise<void> {
  if (!(await setRemoved('document', id, removed))) throw new NotThereError('There is no such issue.');
}

/** Gives an issue another number and name: a change like any other, so that its pages say so too. @throws FieldError */
export async function renameIssue(id: string, { number, season }: { number: string; season: string }): Promise<void> {
  const numbered = number.trim();
  if (numbered === '') throw new FieldError('number', 'An issue has a number, or a name instead of one.');
  await documentHead(id);
  const { records } = await loadRecords(id);
  const before = records.find((record): record is IssueRecord => record.kind === 'issue');
  if (!before) throw new NotThereError('There is no such issue.');
  const after: IssueRecord = { ...before, number: numbered, season: season.trim() };
  if (after.number !== before.number || after.season !== before.season)
    await storeChange(id, {
      id: nanoid(16),
      author: 'shelf',
      label: 'Rename the issue',
      kind: 'edit',
      diff: { ...NO_DIFF, updated: [{ before, after }] },
    });
  await setDocumentName(id, issueName(numbered, season.trim()));
}
