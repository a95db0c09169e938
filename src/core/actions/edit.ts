import { generateKeyBetween } from 'fractional-indexing';
import { nanoid } from 'nanoid';
import { settledCaptions } from '../page/beside';
import { applied, between, type Diff } from '../records/diff';
import { type Document, get } from '../records/document';
import type { DocumentRecord, RecordKind, RecordKinds } from '../records/index';
import { heldWords, led, referring } from '../records/references';
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
  /** The records as changed so far; a map of our own until it is shown to somebody. */
  #records: ReadonlyMap<string, DocumentRecord>;
  #own: Map<string, DocumentRecord> | undefined;
  #shown: Document | undefined;
  /** Whether something was removed. */
  #missing = false;
  /** Whether a frame was put. */
  #framed = false;

  constructor(document: Document) {
    this.#before = document;
    this.#records = document.records;
    this.#shown = document;
  }

  /** The document as changed so far. */
  get document(): Document {
    this.#own = undefined;
    return (this.#shown ??= { records: this.#records });
  }

  /** Adds a record, or puts it in the place of the one with its id; one that says the same changes nothing. */
  put<R extends DocumentRecord>(record: R): R {
    const before = this.#records.get(record.id);
    if (before && same(before, record)) return before as R;
    if (record.kind === 'frame') this.#framed = true;
    this.#changing().set(record.id, record);
    return record;
  }

  /** A record as it is now, without the whole document being shown: hundreds can be looked up and changed in turn. @throws MissingRecordError */
  get<K extends RecordKind>(kind: K, id: string): RecordKinds[K] {
    return get({ records: this.#records }, kind, id);
  }

  has(id: string): boolean {
    return this.#records.has(id);
  }

  remove(id: string): void {
    if (!this.#records.has(id)) return;
    this.#changing().delete(id);
    this.#missing = true;
  }

  /** Takes in what another action does to the document as changed so far. */
  take(diff: Diff): void {
    if (diff.removed.length > 0) this.#missing = true;
    this.#framed = true;
    this.#records = applied(this.document, diff).records;
    this.#shown = undefined;
  }

  /**
   * What was changed. What referred to something that was removed has forgotten it, or has gone with it, so that nothing
   * is left that points at nothing; captions lie with their pictures.
   *
   * @throws ActionError when something that stays holds what was removed
   */
  diff(): Diff {
    this.#letGo();
    if (this.#framed) for (const frame of settledCaptions(this.#before, this.document)) this.put(frame);
    return between(this.#before, this.document);
  }

  /** Leads what stays away from what was removed; what goes with it is removed too, and so on until nothing goes. */
  #letGo(): void {
    let gone = this.#missing ? [...this.#before.records.values()].filter(({ id }) => !this.#records.has(id)) : [];
    while (gone.length > 0) {
      const ids = new Set(gone.map(({ id }) => id));
      const next: DocumentRecord[] = [];
      for (const { record, to } of referring(this.document, gone)) {
        if (to.gone === 'holds')
          throw new ActionError(
            heldWords(
              this.document,
              gone.find(({ id }) => id === to.id)!,
            ),
          );
        const own = this.#records.get(record.id);
        if (!own) continue;
        if (to.gone === 'goes') {
          this.remove(own.id);
          next.push(own);
        } else this.put(led(own, ({ id }) => (ids.has(id) ? undefined : id)));
      }
      gone = next;
    }
  }

  /** A document that was shown stays as it is: many changes between two looks copy the records once. */
  #changing(): Map<string, DocumentRecord> {
    if (!this.#own) this.#records = this.#own = new Map(this.#records);
    this.#shown = undefined;
    return this.#own;
  }
}

/** An id nothing else has. */
export const newId = (): string => nanoid(12);

/** Gives every old id a new one, the same whenever it is asked for again. */
export function renaming(): (old: string) => string {
  const own = new Map<string, string>();
  return (old) => {
    const known = own.get(old) ?? newId();
    own.set(old, known);
    return known;
  };
}

/** A name that none of those there are has: the one that is wanted, or that with a number behind it. */
export function freeName(there: readonly { readonly name: string }[], wanted: string): string {
  const taken = new Set(there.map(({ name }) => name));
  if (!taken.has(wanted)) return wanted;
  let n = 2;
  while (taken.has(`${wanted} ${n}`)) n++;
  return `${wanted} ${n}`;
}

/**
 * The name that something is to have among its like.
 * @param called what one of them is: "style"
 * @param own the id of the one that is named, where it is there already
 * @throws ActionError when it is none, or another's
 */
export function ownName(
  there: readonly { readonly id: string; readonly name: string }[],
  called: string,
  wanted: string,
  own?: string,
): string {
  const words = wanted.trim();
  if (!words) throw new ActionError(`A ${called} needs a name.`);
  if (there.some((other) => other.id !== own && other.name === words))
    throw new ActionError(`There is a ${called} called ${words} already.`);
  return words;
}

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
