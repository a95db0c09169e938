import type { DocumentRecord } from './index';
import type { Document } from './document';
import { same } from './same';

/** A change to a document, as the records it adds, changes and removes. It can be applied and turned round. */
export interface Diff {
  readonly added: readonly DocumentRecord[];
  readonly updated: readonly { readonly before: DocumentRecord; readonly after: DocumentRecord }[];
  readonly removed: readonly DocumentRecord[];
}

export const NO_DIFF: Diff = { added: [], updated: [], removed: [] };

export const isEmpty = (diff: Diff): boolean => diff.added.length + diff.updated.length + diff.removed.length === 0;

/** Thrown when a diff does not fit the document it is applied to. */
export class DiffError extends Error {
  override name = 'DiffError';
}

/**
 * The document with the diff applied. Only presence is checked here; whether a record is still as the diff's
 * author saw it is checked where changes meet, in the store.
 *
 * @throws DiffError when a record to add is there already, or one to change or remove is not
 */
export function applied(document: Document, diff: Diff): Document {
  if (isEmpty(diff)) return document;
  const records = new Map(document.records);
  for (const record of diff.removed) {
    if (!records.delete(record.id)) throw new DiffError(`There is no ${record.kind} “${record.id}” to remove.`);
  }
  for (const { after } of diff.updated) {
    if (!records.has(after.id)) throw new DiffError(`There is no ${after.kind} “${after.id}” to change.`);
    records.set(after.id, after);
  }
  for (const record of diff.added) {
    if (records.has(record.id)) throw new DiffError(`There is a ${record.kind} “${record.id}” already.`);
    records.set(record.id, record);
  }
  return { records };
}

/** The diff that takes this one back. */
export function inverted(diff: Diff): Diff {
  return {
    added: diff.removed,
    updated: diff.updated.map(({ before, after }) => ({ before: after, after: before })),
    removed: diff.added,
  };
}

/** What leads from one document to another. Records are compared by identity, so unchanged ones must be shared. */
export function between(before: Document, after: Document): Diff {
  const added: DocumentRecord[] = [];
  const updated: { before: DocumentRecord; after: DocumentRecord }[] = [];
  const removed: DocumentRecord[] = [];
  for (const [id, record] of after.records) {
    const old = before.records.get(id);
    if (!old) added.push(record);
    else if (old !== record) updated.push({ before: old, after: record });
  }
  for (const [id, record] of before.records) if (!after.records.has(id)) removed.push(record);
  return { added, updated, removed };
}

/** What is different in what records say, whichever objects say it. */
export function difference(before: Document, after: Document): Diff {
  const records = [...after.records.values()];
  return {
    added: records.filter(({ id }) => !before.records.has(id)),
    updated: records.flatMap((record) => {
      const old = before.records.get(record.id);
      return old && !same(old, record) ? [{ before: old, after: record }] : [];
    }),
    removed: [...before.records.values()].filter(({ id }) => !after.records.has(id)),
  };
}

/** The ids of all records a diff touches. */
export function touched(diff: Diff): Set<string> {
  return new Set([...diff.added, ...diff.removed, ...diff.updated.map(({ after }) => after)].map((record) => record.id));
}
