import type { DocumentRecord, TextRecord } from './index';
import { stepsBetween, stepped } from './body';
import type { Document } from './document';
import { type Done, done } from './rebase';
import { same } from './same';

/** What is done to the body of a text: steps, and those that take them back, the last first. */
export interface TextSteps extends Done {
  readonly id: string;
}

/**
 * A change to a document: the records it adds, changes and removes, and the steps it does to the bodies of texts. It can
 * be applied and turned round.
 */
export interface Diff {
  readonly added: readonly DocumentRecord[];
  /** What a text says of itself but for its body, which is changed by steps alone: the bodies here mean nothing. */
  readonly updated: readonly { readonly before: DocumentRecord; readonly after: DocumentRecord }[];
  readonly removed: readonly DocumentRecord[];
  readonly texts: readonly TextSteps[];
}

export const NO_DIFF: Diff = { added: [], updated: [], removed: [], texts: [] };

export const isEmpty = (diff: Diff): boolean =>
  diff.added.length + diff.updated.length + diff.removed.length + diff.texts.length === 0;

/** A diff of steps on one text. */
export const typing = (id: string, own: Done): Diff => ({ ...NO_DIFF, texts: [{ id, ...own }] });

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
    const now = records.get(after.id);
    if (!now) throw new DiffError(`There is no ${after.kind} “${after.id}” to change.`);
    records.set(after.id, withBodyOf(after, now));
  }
  for (const record of diff.added) {
    if (records.has(record.id)) throw new DiffError(`There is a ${record.kind} “${record.id}” already.`);
    records.set(record.id, record);
  }
  for (const { id, steps } of diff.texts) {
    const now = records.get(id);
    if (now?.kind !== 'text') throw new DiffError(`There is no text “${id}” to change.`);
    try {
      records.set(id, { ...now, body: stepped(now.body, steps) });
    } catch (error) {
      throw new DiffError((error as Error).message);
    }
  }
  return { records };
}

/** A record with the body that another has, where both are texts. */
const withBodyOf = (record: DocumentRecord, now: DocumentRecord): DocumentRecord =>
  record.kind === 'text' && now.kind === 'text' && record.body !== now.body ? { ...record, body: now.body } : record;

/** What leads from one version of a record to another: what it says of itself, and steps where its body differs. */
function led(before: DocumentRecord, after: DocumentRecord): Pick<Diff, 'updated' | 'texts'> {
  if (before.kind !== 'text' || after.kind !== 'text') return { updated: [{ before, after }], texts: [] };
  const steps = before.body === after.body ? [] : stepsBetween(before.body, after.body);
  const texts = steps.length > 0 ? [{ id: after.id, ...done(before.body, steps) }] : [];
  const own: TextRecord = { ...after, body: before.body };
  return { updated: same(before, own) ? [] : [{ before, after: own }], texts };
}

/** The diff that takes this one back. */
export function inverted(diff: Diff): Diff {
  return {
    added: diff.removed,
    updated: diff.updated.map(({ before, after }) => ({ before: after, after: before })),
    removed: diff.added,
    texts: diff.texts.map(({ id, steps, back }) => ({ id, steps: back, back: steps })),
  };
}

/** What leads from one document to another. Records are compared by identity, so unchanged ones must be shared. */
export function between(before: Document, after: Document): Diff {
  const added: DocumentRecord[] = [];
  const pairs: { before: DocumentRecord; after: DocumentRecord }[] = [];
  const removed: DocumentRecord[] = [];
  for (const [id, record] of after.records) {
    const old = before.records.get(id);
    if (!old) added.push(record);
    else if (old !== record) pairs.push({ before: old, after: record });
  }
  for (const [id, record] of before.records) if (!after.records.has(id)) removed.push(record);
  return ledBy(added, pairs, removed);
}

/** What leads from one document to another where only these records can differ. */
export function betweenOf(before: Document, after: Document, ids: Iterable<string>): Diff {
  const added: DocumentRecord[] = [];
  const pairs: { before: DocumentRecord; after: DocumentRecord }[] = [];
  const removed: DocumentRecord[] = [];
  for (const id of ids) {
    const [old, now] = [before.records.get(id), after.records.get(id)];
    if (old && now && old !== now) pairs.push({ before: old, after: now });
    else if (now && !old) added.push(now);
    else if (old && !now) removed.push(old);
  }
  return ledBy(added, pairs, removed);
}

/** What is different in what records say, whichever objects say it. */
export function difference(before: Document, after: Document): Diff {
  const records = [...after.records.values()];
  return ledBy(
    records.filter(({ id }) => !before.records.has(id)),
    records.flatMap((record) => {
      const old = before.records.get(record.id);
      return old && !same(old, record) ? [{ before: old, after: record }] : [];
    }),
    [...before.records.values()].filter(({ id }) => !after.records.has(id)),
  );
}

function ledBy(
  added: readonly DocumentRecord[],
  pairs: readonly { before: DocumentRecord; after: DocumentRecord }[],
  removed: readonly DocumentRecord[],
): Diff {
  const ways = pairs.map(({ before, after }) => led(before, after));
  return { added, updated: ways.flatMap(({ updated }) => updated), removed, texts: ways.flatMap(({ texts }) => texts) };
}

/** The ids of all records a diff touches. */
export function touched(diff: Diff): Set<string> {
  return new Set([...diff.added, ...diff.removed, ...diff.updated.map(({ after }) => after), ...diff.texts].map(({ id }) => id));
}
