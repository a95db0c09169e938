import { generateKeyBetween } from 'fractional-indexing';
import { nanoid } from 'nanoid';
import { applied, between, type Diff } from '../records/diff';
import type { Document } from '../records/document';
import type { DocumentRecord } from '../records/index';
import { same } from '../records/same';

/** Thrown when an action cannot be done; the message tells the person who asked for it why. */
export class ActionError extends Error {
  override name = 'ActionError';
}

/**
 * A document being changed by an action: records go in and out, and at the end there is one diff. Actions are the
 * only way records change.
 */
export class Edit {
  readonly #before: Document;
  #now: Document;

  constructor(document: Document) {
    this.#before = document;
    this.#now = document;
  }

  /** The document as changed so far. */
  get document(): Document {
    return this.#now;
  }

  /** Adds a record, or puts it in the place of the one with its id; one that says the same changes nothing. */
  put<R extends DocumentRecord>(record: R): R {
    const before = this.#now.records.get(record.id);
    if (before && same(before, record)) return before as R;
    this.#now = applied(
      this.#now,
      before ? { added: [], updated: [{ before, after: record }], removed: [] } : { added: [record], updated: [], removed: [] },
    );
    return record;
  }

  remove(id: string): void {
    const record = this.#now.records.get(id);
    if (record) this.#now = applied(this.#now, { added: [], updated: [], removed: [record] });
  }

  /** Takes in what another action does to the document as changed so far. */
  take(diff: Diff): void {
    this.#now = applied(this.#now, diff);
  }

  diff(): Diff {
    return between(this.#before, this.#now);
  }
}

/** An id nothing else has. */
export const newId = (): string => nanoid(12);

/** A place after the last of a list that is in order. */
export const orderAfter = (list: readonly { order: string }[]): string => generateKeyBetween(list.at(-1)?.order ?? null, null);

/**
 * A place right behind `list[index]`; before all when `index` is −1. Where two were put at the same place at the same
 * time and share it, the new one comes behind both: there is no place between them.
 */
export function orderBehind(list: readonly { order: string }[], index: number): string {
  const order = list[index]?.order;
  const next = list.slice(index + 1).find((each) => order === undefined || each.order > order);
  return generateKeyBetween(order ?? null, next?.order ?? null);
}
