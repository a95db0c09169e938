import type { Change } from '@/core/records/change';
import { PLAIN_MESSAGES } from '@/core/records/messages';
import { changeSchema } from '@/core/records/schemas';
import { judgedKinds, together } from '@/core/records/together';
import { storeChange, type NewChange } from '@/store/documents';
import { BadRequestError } from '../errors';

/** Records that a document is nothing without. */
const KEPT = new Set(['issue', 'format']);

/**
 * Checks and stores a change.
 * @throws BadRequestError when it is not a change, NoSuchDocumentError, ConflictError
 */
export async function takeChange(document: string, input: unknown): Promise<Change> {
  const { value, error } = changeSchema.validate(input, { convert: false, abortEarly: true, messages: PLAIN_MESSAGES });
  if (error) throw new BadRequestError(`The change cannot be stored: ${error.message}.`);
  const change = value as NewChange;
  for (const { before, after } of change.diff.updated) {
    if (before.id !== after.id || before.kind !== after.kind)
      throw new BadRequestError('The change cannot be stored: a record cannot become another.');
  }
  if (change.diff.removed.some(({ id }) => KEPT.has(id)))
    throw new BadRequestError('The change cannot be stored: it would take the issue’s own details away.');
  if ((change.kind === 'edit') !== (change.of === undefined))
    throw new BadRequestError('The change cannot be stored: an undo names the change that it takes back.');
  const ids = [...change.diff.added, ...change.diff.updated.map(({ after }) => after), ...change.diff.removed].map(
    ({ id }) => id,
  );
  if (new Set(ids).size !== ids.length) throw new BadRequestError('The change cannot be stored: it changes one record twice.');
  return storeChange(document, change, { kinds: judgedKinds(change.diff), of: together });
}
