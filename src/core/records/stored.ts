import type { Node } from 'prosemirror-model';
import { type BodyJson, bodyOf, docOf, plainParagraphs, stepsBetween, stepsOf } from './body';
import type { Diff, TextSteps } from './diff';
import { done } from './rebase';
import { type Document, documentOf } from './document';
import type { DocumentRecord, TextRecord } from './index';

/** A record as it is stored and sent: all of it JSON. In memory a text's body is a document of its schema. */
export type StoredRecord = Exclude<DocumentRecord, TextRecord> | StoredText;
export type StoredText = Omit<TextRecord, 'body'> & { readonly body: BodyJson };

/** What can be stored: a record whose JSON is its stored form, whether its text is a document or JSON already. */
export type Storable = DocumentRecord | StoredRecord;

/** Steps on a text in their JSON form. */
export interface StoredSteps {
  readonly id: string;
  readonly steps: readonly unknown[];
  readonly back: readonly unknown[];
}

export interface StoredDiff {
  readonly added: readonly StoredRecord[];
  /** Without the bodies of texts, which are changed by steps. */
  readonly updated: readonly { readonly before: StoredProperties; readonly after: StoredProperties }[];
  readonly removed: readonly StoredRecord[];
  readonly texts: readonly StoredSteps[];
}

/** A record but for the body of a text. */
export type StoredProperties = Exclude<DocumentRecord, TextRecord> | Omit<TextRecord, 'body'>;

export const properties = (record: DocumentRecord | StoredRecord): StoredProperties => {
  if (record.kind !== 'text') return record;
  const { body: _, ...rest } = record;
  return rest;
};

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

/** Stands where a diff says nothing of a text's body. */
const NO_BODY = docOf(plainParagraphs('body'));

const readProperties = (record: StoredProperties): DocumentRecord =>
  record.kind === 'text' ? { ...record, body: NO_BODY } : record;

export const storedDiff = ({ added, updated, removed, texts }: Diff): StoredDiff => ({
  added: added.map(stored),
  updated: updated.map(({ before, after }) => ({ before: properties(before), after: properties(after) })),
  removed: removed.map(stored),
  texts: texts.map(({ id, steps, back }) => ({
    id,
    steps: steps.map((step) => step.toJSON() as unknown),
    back: back.map((step) => step.toJSON() as unknown),
  })),
});

/** @throws RangeError when its steps are none */
export const readDiff = ({ added, updated, removed, texts }: StoredDiff): Diff => ({
  added: added.map(readRecord),
  updated: updated.map(({ before, after }) => ({ before: readProperties(before), after: readProperties(after) })),
  removed: removed.map(readRecord),
  texts: [
    ...((texts as StoredDiff['texts'] | undefined) ?? []).map(({ id, steps, back }) => ({
      id,
      steps: stepsOf(steps),
      back: stepsOf(back),
    })),
    ...updated.flatMap(({ before, after }) => formerly(before, after)),
  ],
});

/** Changes that were stored before texts changed by steps hold the whole body before and after. */
function formerly(before: StoredProperties, after: StoredProperties): TextSteps[] {
  if (!('body' in before) || !('body' in after)) return [];
  const [from, to] = [readBody(before.body as BodyJson), readBody(after.body as BodyJson)];
  const steps = stepsBetween(from, to);
  return steps.length === 0 ? [] : [{ id: after.id, ...done(from, steps) }];
}
