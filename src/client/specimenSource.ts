import { type Diff, isEmpty } from '@/core/records/diff';
import type { Document } from '@/core/records/document';
import { same } from '@/core/records/same';
import type { DocumentSource } from './composerClient';

/** A document that is worked out from another, anew with each of its changes. */
export class SpecimenSource implements DocumentSource {
  readonly #listeners = new Set<(diff: Diff) => void>();
  #document: Document;

  constructor(document: Document) {
    this.#document = document;
  }

  get document(): Document {
    return this.#document;
  }

  onDiff(listener: (diff: Diff) => void): () => void {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  }

  /** Shows another state of it; listeners are told of what is different. */
  show(document: Document): void {
    const diff = difference(this.#document, document);
    this.#document = document;
    if (!isEmpty(diff)) for (const listener of this.#listeners) listener(diff);
  }
}

/** What is different in what records say, whichever objects say it. */
function difference(before: Document, after: Document): Diff {
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
