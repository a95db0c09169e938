import { applied, type Diff, difference, isEmpty } from '@/core/records/diff';
import type { Document } from '@/core/records/document';
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
    if (isEmpty(diff)) return;
    // Records that say the same stay the same objects, so that nothing made of them is made again.
    this.#document = applied(this.#document, diff);
    for (const listener of this.#listeners) listener(diff);
  }
}
