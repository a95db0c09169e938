import { isDeepStrictEqual } from 'node:util';
import { nanoid } from 'nanoid';
import type { IssueRecord } from '@/core/records/index';
import { documentHead, loadRecords, putChange } from '@/store/documents';
import { transaction } from '@/store/pool';
import {
  listPublications,
  setDocumentName,
  setIssueRemovedAt,
  setName,
  setPublicationRemovedAt,
  withNumber,
} from '@/store/publications';
import { BadRequestError, FieldError, NotThereError } from '../errors';
import { issueName } from './newIssue';

/** @throws FieldError, NotThereError */
export async function renamePublication(id: string, name: string): Promise<void> {
  const own = name.trim();
  if (own === '') throw new FieldError('name', 'A publication needs a name.');
  const others = (await listPublications()).filter((each) => each.id !== id);
  if (others.some((each) => each.name.toLowerCase() === own.toLowerCase()))
    throw new FieldError('name', `“${own}” is on the shelf already.`);
  if (!(await setName(id, own))) throw new NotThereError('There is no such publication.');
}

/** Takes a publication off the shelf with all its issues, or puts it back. @throws NotThereError */
export async function setPublicationRemoved(id: string, removed: boolean): Promise<void> {
  if (!(await setPublicationRemovedAt(id, removed ? new Date() : null))) throw new NotThereError('There is no such publication.');
}

/**
 * Takes an issue off the shelf, or puts it back where no other has its number by now.
 *
 * @throws NotThereError, BadRequestError
 */
export async function setIssueRemoved(id: string, removed: boolean): Promise<void> {
  const { publication, issue } = await issueOf(id);
  if (removed) return transaction(async (client) => void (await setIssueRemovedAt(client, id, new Date())));
  const back = await withNumber(publication, issue.number, id, (client) => setIssueRemovedAt(client, id, null));
  if (!back)
    throw new BadRequestError(
      `There is another No. ${issue.number} on the shelf. Give that one another number, then put this back.`,
    );
}

/** An issue's record and its publication. @throws NotThereError */
async function issueOf(id: string): Promise<{ publication: string; issue: IssueRecord }> {
  const { publication } = await documentHead(id);
  const { records } = await loadRecords(id);
  const issue = records.find((record): record is IssueRecord => record.kind === 'issue');
  if (!issue) throw new NotThereError('There is no such issue.');
  return { publication, issue };
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
  if (number === '') throw new FieldError('number', 'An issue needs a number, or a name instead.');
  if (publication === '') throw new FieldError('publication', 'A publication needs a name.');
  const { publication: of, issue: before } = await issueOf(id);
  const after: IssueRecord = { ...before, number, season, publication };
  const done = await withNumber(of, number, id, async (client) => {
    if (!isDeepStrictEqual(after, before))
      await putChange(client, id, {
        id: nanoid(16),
        author: 'shelf',
        label: 'Rename the issue',
        kind: 'edit',
        base: 0,
        diff: { added: [], updated: [{ before, after }], removed: [], texts: [] },
      });
    await setDocumentName(client, id, issueName(number, season));
  });
  if (!done) throw new FieldError('number', `There is a No. ${number} of it already.`);
}
