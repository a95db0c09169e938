import { isDeepStrictEqual } from 'node:util';
import { nanoid } from 'nanoid';
import { NO_DIFF } from '@/core/records/diff';
import type { IssueRecord } from '@/core/records/index';
import { documentHead, loadRecords, storeChange } from '@/store/documents';
import { listIssues, listPublications, setDocumentName, setName, setRemoved } from '@/store/publications';
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

/** What an issue is called; what its pages show of it is taken from this. */
export interface IssueNames {
  readonly number: string;
  readonly season: string;
  /** The publication's name: an issue keeps the one it was started under until it is given another here. */
  readonly publication: string;
}

/** Gives an issue other names: a change like any other, so that its pages say so too. @throws FieldError, NotThereError */
export async function renameIssue(id: string, names: IssueNames): Promise<void> {
  const [number, season, publication] = [names.number.trim(), names.season.trim(), names.publication.trim()];
  if (number === '') throw new FieldError('number', 'An issue has a number, or a name instead of one.');
  if (publication === '') throw new FieldError('publication', 'A publication has a name.');
  await documentHead(id);
  const issues = await listIssues();
  const own = issues.find((issue) => issue.id === id);
  if (!own) throw new NotThereError('There is no such issue.');
  if (issues.some((issue) => issue.id !== id && issue.publication === own.publication && issue.number === number))
    throw new FieldError('number', `There is a No. ${number} of it already.`);
  const { records } = await loadRecords(id);
  const before = records.find((record): record is IssueRecord => record.kind === 'issue')!;
  const after: IssueRecord = { ...before, number, season, publication };
  if (!isDeepStrictEqual(after, before))
    await storeChange(id, {
      id: nanoid(16),
      author: 'shelf',
      label: 'Rename the issue',
      kind: 'edit',
      diff: { ...NO_DIFF, updated: [{ before, after }] },
    });
  await setDocumentName(id, issueName(number, season));
}
