import { type Document, get } from '../records/document';
import type { DocumentRecord, RecordKind } from '../records/index';
import { led, referring } from '../records/references';
import { said } from '../records/said';
import { ActionError, type Edit } from './edit';

/** How many records refer to one. */
export const usesOf = (document: Document, id: string): number => {
  const record = document.records.get(id);
  return record ? new Set(referring(document, [record]).map(({ record: { id: own } }) => own)).size : 0;
};

/** Puts a record in the place of another wherever that is referred to. @throws ActionError where they are one */
export function putInstead<K extends RecordKind>(edit: Edit, kind: K, id: string, instead: string): void {
  const gone = get(edit.document, kind, id);
  if (instead === id) throw new ActionError('Nothing can take its own place.');
  get(edit.document, kind, instead);
  const above = basesOf(edit.document, instead);
  for (const { record } of referring(edit.document, [gone])) {
    // What the new one is based on itself cannot be based on it: there the tie goes past the one that is removed.
    const to = above.has(record.id) ? baseOf(gone) : instead;
    edit.put(said(led(record, (reference) => (reference.id === id ? to : reference.id))));
  }
}

/**
 * Removes a record, and puts another in its place wherever it is referred to.
 *
 * @param instead id of what takes its place; undefined where nothing needs to
 * @throws ActionError where something uses it and nothing takes its place
 */
export function removeFor<K extends RecordKind>(edit: Edit, kind: K, id: string, instead: string | undefined): void {
  get(edit.document, kind, id);
  if (instead !== undefined) putInstead(edit, kind, id, instead);
  edit.remove(id);
}

const baseOf = (record: DocumentRecord): string | undefined =>
  'basedOn' in record ? (record.basedOn as string | undefined) : undefined;

/** A record and all that it is based on, one upon another. */
function basesOf(document: Document, id: string): ReadonlySet<string> {
  const out = new Set<string>();
  for (let at: string | undefined = id; at !== undefined && !out.has(at);) {
    out.add(at);
    const record = document.records.get(at);
    at = record && baseOf(record);
  }
  return out;
}
