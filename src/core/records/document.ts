import type { DocumentRecord, RecordKind, RecordKinds } from './index';

/** A document: its records by id. Immutable; a change makes another document that shares what did not change. */
export interface Document {
  readonly records: ReadonlyMap<string, DocumentRecord>;
}

/** Thrown when a document lacks a record that was asked for, or holds it as another kind. */
export class MissingRecordError extends Error {
  override name = 'MissingRecordError';
}

export function documentOf(records: Iterable<DocumentRecord>): Document {
  const map = new Map<string, DocumentRecord>();
  for (const record of records) map.set(record.id, record);
  return { records: map };
}

/** The record with that id, if it is there and of that kind. */
export function find<K extends RecordKind>(document: Document, kind: K, id: string | undefined): RecordKinds[K] | undefined {
  const record = id === undefined ? undefined : document.records.get(id);
  return record?.kind === kind ? (record as RecordKinds[K]) : undefined;
}

/** The record with that id. @throws MissingRecordError */
export function get<K extends RecordKind>(document: Document, kind: K, id: string): RecordKinds[K] {
  const record = find(document, kind, id);
  if (!record) throw new MissingRecordError(`The document has no ${kind} “${id}”.`);
  return record;
}

/** Compares two places in an order. */
export const byOrder = (a: { order: string; id: string }, b: { order: string; id: string }): number =>
  a.order < b.order ? -1 : a.order > b.order ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0;

interface Indexes {
  kinds?: Map<RecordKind, DocumentRecord[]>;
  framesOn?: Map<string, RecordKinds['frame'][]>;
  threads?: Map<string, RecordKinds['frame'][]>;
}

/** Made once a document, when first asked for. */
const indexes = new WeakMap<Document, Indexes>();

function indexesOf(document: Document): Indexes {
  let found = indexes.get(document);
  if (!found) indexes.set(document, (found = {}));
  return found;
}

/** All records of a kind, in their order where they have one. */
export function all<K extends RecordKind>(document: Document, kind: K): readonly RecordKinds[K][] {
  const index = indexesOf(document);
  if (!index.kinds) {
    index.kinds = new Map();
    for (const record of document.records.values()) {
      const list = index.kinds.get(record.kind);
      if (list) list.push(record);
      else index.kinds.set(record.kind, [record]);
    }
    for (const list of index.kinds.values()) {
      if ('order' in list[0]!) (list as RecordKinds['page'][]).sort(byOrder);
    }
  }
  return (index.kinds.get(kind) ?? []) as RecordKinds[K][];
}

/** The frames that lie on a page or master, the lowest first. */
export function framesOn(document: Document, surface: string): readonly RecordKinds['frame'][] {
  const index = indexesOf(document);
  if (!index.framesOn) {
    index.framesOn = new Map();
    for (const frame of all(document, 'frame')) {
      const list = index.framesOn.get(frame.on);
      if (list) list.push(frame);
      else index.framesOn.set(frame.on, [frame]);
    }
  }
  return index.framesOn.get(surface) ?? [];
}

/** The frames that a text runs through, in the order in which it does. */
export function threadOf(document: Document, text: string): readonly RecordKinds['frame'][] {
  const index = indexesOf(document);
  if (!index.threads) {
    index.threads = new Map();
    for (const frame of all(document, 'frame')) {
      if (frame.content.type !== 'text') continue;
      const list = index.threads.get(frame.content.text);
      if (list) list.push(frame);
      else index.threads.set(frame.content.text, [frame]);
    }
    const place = (frame: RecordKinds['frame']) => ({ order: (frame.content as { order: string }).order, id: frame.id });
    for (const list of index.threads.values()) list.sort((a, b) => byOrder(place(a), place(b)));
  }
  return index.threads.get(text) ?? [];
}
