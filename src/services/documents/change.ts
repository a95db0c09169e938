import type { Change } from '@/core/records/change';
import { PLAIN_MESSAGES } from '@/core/records/messages';
import { changeSchema } from '@/core/records/schemas';
import { readDiff } from '@/core/records/stored';
import { judgedKinds, together } from '@/core/records/together';
import { changesAfter, changesOnTexts, findChange, storeChange, type NewChange } from '@/store/documents';
import { BadRequestError, NotThereError } from '../errors';

/** Records that a document is nothing without. */
const KEPT = new Set(['issue', 'format']);

/**
 * Checks and stores a change.
 * @throws BadRequestError when it is not a change, NoSuchDocumentError, ConflictError
 */
export async function takeChange(document: string, input: unknown): Promise<Change> {
  const { value, error } = changeSchema.validate(input, { convert: false, abortEarly: true, messages: PLAIN_MESSAGES });
  if (error) throw new BadRequestError(`The change cannot be saved: ${error.message}.`);
  const change = value as NewChange;
  for (const { before, after } of change.diff.updated) {
    if (before.id !== after.id || before.kind !== after.kind)
      throw new BadRequestError('The change cannot be saved: a record cannot become another.');
  }
  if (change.diff.removed.some(({ id }) => KEPT.has(id)))
    throw new BadRequestError('The change cannot be saved: it would take the issue’s own details away.');
  if ((change.kind === 'edit') !== (change.of === undefined))
    throw new BadRequestError('The change cannot be saved: an undo names the change that it takes back.');
  const ids = [...change.diff.added, ...change.diff.updated.map(({ after }) => after), ...change.diff.removed].map(
    ({ id }) => id,
  );
  if (new Set(ids).size !== ids.length) throw new BadRequestError('The change cannot be saved: it changes one record twice.');
  const stepped = change.diff.texts.map(({ id }) => id);
  if (new Set(stepped).size !== stepped.length)
    throw new BadRequestError('The change cannot be saved: it changes one text twice.');
  try {
    // Steps that are none, or that do not take back what they do, would be noticed only when somebody undoes them.
    readDiff(change.diff);
  } catch (reason) {
    throw new BadRequestError(`The change cannot be saved: its steps are not well formed (${(reason as Error).message}).`);
  }
  return storeChange(document, change, { kinds: judgedKinds(change.diff), of: together });
}

/** The most changes of others that an answer brings along; beyond that they come by the feed. */
const MOST_ALONG = 100;

/**
 * Stores a change and tells what was stored between its base and it, so that whoever sent it is up to date at once.
 *
 * @throws BadRequestError, NoSuchDocumentError, ConflictError, StaleError
 */
export async function storedWithOthers(document: string, input: unknown): Promise<{ change: Change; others: readonly Change[] }> {
  const change = await takeChange(document, input);
  const { base } = input as NewChange;
  const others = change.seq - base > MOST_ALONG ? [] : await changesAfter(document, base, change.seq - base - 1);
  return { change, others: others.filter(({ seq }) => seq < change.seq) };
}

/**
 * A change by its number, with those up to another that touch the texts it did: what must be known to take it back.
 *
 * @throws NotThereError
 */
export async function changeToTakeBack(
  document: string,
  seq: number,
  upTo: number,
): Promise<{ change: Change; since: readonly Change[] }> {
  const change = await findChange(document, seq);
  if (!change) throw new NotThereError('There is no such change.');
  const texts = readDiff(change.diff).texts.map(({ id }) => id);
  return { change, since: await changesOnTexts(document, texts, seq, upTo) };
}

/** Changes after one, up to another, the oldest first. @throws BadRequestError where there are too many to be sent */
export async function changesBetween(document: string, after: number, upTo: number): Promise<readonly Change[]> {
  if (upTo - after > MOST_BETWEEN) throw new BadRequestError('Too much has changed since.');
  return (await changesAfter(document, after, MOST_BETWEEN)).filter(({ seq }) => seq <= upTo);
}

const MOST_BETWEEN = 2_000;
