import type { Node } from 'prosemirror-model';
import { type BodyJson, bodyOf, docOf, plainParagraphs } from './body';
import type { Diff } from './diff';
import { type Document, documentOf } from './document';
import type { DocumentRecord, TextRecord } from './index';

/** A record as it is stored and sent: all of it JSON. In memory a text's body is a document of its schema. */
export type StoredRecord = Exclude<DocumentRecord, TextRecord> | StoredText;
export type StoredText = Omit<TextRecord, 'body'> & { readonly body: BodyJson };

/** What can be stored: a record whose JSON is its stored form, whether its text is a document or JSON already. */
export type Storable = DocumentRecord | StoredRecord;

export interface StoredDiff {
  readonly added: readonly StoredRecord[];
  readonly updated: readonly { readonly before: StoredRecord; readonly after: StoredRecord }[];
  readonly removed: readonly StoredRecord[];
}

export const stored = (record: DocumentRecord): StoredRecord =>
  record.kind === 'text' ? { ...record, body: record.body.toJSON() as BodyJson } : record;

/** A record from its stored form. Of a body that is no document of the schema, the words are kept as plain paragraphs. */
export function readRecord(record: StoredRecord): DocumentRecord {
  if (record.kind !== 'text') return record;
  return { ...record, body: readBody(record.body) };
}

function readBody(json: BodyJson): Node {
  try {
    return bodyOf(json);
  } catch {
    return docOf(plainParagraphs('body', ...wordsOf(json)));
  }
}

/** The words of any JSON, a paragraph for each block that holds some. */
function wordsOf(json: unknown): string[] {
  const node = json as { type?: unknown; text?: unknown; content?: unknown } | null | undefined;
  if (typeof node?.text === 'string') return [node.text];
  const content = Array.isArray(node?.content) ? node.content.flatMap(wordsOf) : [];
  return node?.type === 'paragraph' ? [content.join('')] : content;
}

export const readDocument = (records: readonly StoredRecord[]): Document => documentOf(records.map(readRecord));

export const storedDiff = ({ added, updated, removed }: Diff): StoredDiff => ({
  added: added.map(stored),
  updated: updated.map(({ before, after }) => ({ before: stored(before), after: stored(after) })),
  removed: removed.map(stored),
});

export const readDiff = ({ added, updated, removed }: StoredDiff): Diff => ({
  added: added.map(readRecord),
  updated: updated.map(({ before, after }) => ({ before: readRecord(before), after: readRecord(after) })),
  removed: removed.map(readRecord),
});
