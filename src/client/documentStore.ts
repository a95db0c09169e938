import { nanoid } from 'nanoid';
import type { Change } from '@/core/records/change';
import { applied, type Diff, inverted, isEmpty, touched } from '@/core/records/diff';
import type { Document } from '@/core/records/document';
import { readDiff, readDocument, readRecord, type StoredDiff, type StoredRecord } from '@/core/records/stored';
import type { DocumentRecord } from '@/core/records/index';
import { same } from '@/core/records/same';
import { History } from './history';

/** How far what was done here has come. */
export type StoreState =
  | { readonly is: 'stored'; readonly at: Date | undefined }
  | { readonly is: 'storing' }
  /** Others have done more than has come here so far. */
  | { readonly is: 'behind' }
  | { readonly is: 'waiting'; readonly why: string };

export interface Snapshot {
  readonly document: Document;
  readonly undo: string | undefined;
  readonly redo: string | undefined;
}

/** A change on its way to the server. */
interface Outgoing {
  readonly id: string;
  readonly author: string;
  readonly label: string;
  readonly kind: 'edit' | 'undo' | 'redo';
  readonly ofId: string | undefined;
  readonly diff: Diff;
}

export interface Opened {
  readonly seq: number;
  readonly records: readonly StoredRecord[];
  readonly history: readonly Change[];
}

/** What the store needs of the world around it; a test gives it another. */
export interface Surroundings {
  send(
    change: Omit<Outgoing, 'ofId'> & { of?: number },
  ): Promise<{ status: number; body: { seq?: number; at?: string; message?: string; theirs?: StoredRecord[] } }>;
  keep(pending: readonly unknown[]): void;
  kept(): readonly unknown[];
  later(milliseconds: number, work: () => void): void;
}

/** First pause before a change is sent again after the server could not be reached; doubled up to the longest. */
const FIRST_PAUSE = 400;
const LONGEST_PAUSE = 8_000;

/**
 * The browser's document: what the server has stored, with what was done here since on top. Every change is applied
 * at once, kept on this machine until the server has answered "stored", and sent in order. Changes of others come in
 * between; where they touch the same record the server refuses the later, and both versions are told.
 */
export class DocumentStore {
  readonly #author: string;
  readonly #around: Surroundings;
  readonly #listeners = new Set<() => void>();
  readonly #heard = new Set<(diff: Diff) => void>();
  readonly #history = new History<Diff>();
  /** Change ids by number and back: an undo is sent with the number of what it undoes. */
  readonly #seqOf = new Map<string, number>();
  readonly #idOf = new Map<number, string>();
  #document: Document;
  #seq: number;
  #pending: Outgoing[] = [];
  #sending = false;
  #pause = FIRST_PAUSE;
  #storedAt: Date | undefined;
  #trouble: string | undefined;
  #snapshot: Snapshot;
  #state: StoreState;
  #expecting = false;
  /** The number of the last change there is, as far as the server has told; undefined while it cannot. */
  #head: number | undefined;
  #heardHead = false;
  /** Told when something that was done here could not be kept. */
  onRefused: (message: string, mine: Diff, theirs: readonly DocumentRecord[]) => void = () => undefined;

  constructor(opened: Opened, author: string, around: Surroundings) {
    this.#author = author;
    this.#around = around;
    this.#document = readDocument(opened.records);
    this.#seq = opened.seq;
    for (const change of opened.history) this.#note(change);
    this.#storedAt = opened.history.length > 0 ? new Date(opened.history.at(-1)!.at) : undefined;
    // What an earlier page did not get through to the server is done again; the server knows changes by their id.
    for (const kept of around.kept() as (Omit<Outgoing, 'diff'> & { diff: StoredDiff })[]) {
      const change = { ...kept, diff: readDiff(kept.diff) };
      if (this.#seqOf.has(change.id) || !this.#fits(change.diff)) continue;
      this.#apply(change);
    }
    this.#snapshot = this.#taken();
    this.#state = this.#stateNow();
    void this.#send();
  }

  get seq(): number {
    return this.#seq;
  }

  get document(): Document {
    return this.#document;
  }

  get whole(): Document {
    return this.#document;
  }

  doWhole(label: string, diff: Diff): void {
    this.do(label, diff);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  readonly snapshot = (): Snapshot => this.#snapshot;

  /** How far what was done here has come; the same object as long as it says the same. */
  readonly state = (): StoreState => this.#state;

  /** Something is being done that will be a change in a moment, and is not stored until then. */
  expect(expecting: boolean): void {
    if (this.#expecting === expecting) return;
    this.#expecting = expecting;
    this.#changed();
  }

  /** Tells of every diff that changes the document, wherever it comes from, in order. */
  onDiff(listener: (diff: Diff) => void): () => void {
    this.#heard.add(listener);
    return () => this.#heard.delete(listener);
  }

  /** Does a change. An empty diff is no change. */
  do(label: string, diff: Diff): void {
    if (isEmpty(diff)) return;
    this.#apply({ id: nanoid(16), author: this.#author, label, kind: 'edit', ofId: undefined, diff });
    this.#changed();
    void this.#send();
  }

  /** Takes the last change of this author back. Gives what was undone, or a sentence why it cannot be. */
  undo(): { label: string } | { refused: string } | undefined {
    return this.#turn('undo');
  }

  redo(): { label: string } | { refused: string } | undefined {
    return this.#turn('redo');
  }

  #turn(kind: 'undo' | 'redo'): { label: string } | { refused: string } | undefined {
    const of = kind === 'undo' ? this.#history.toUndo : this.#history.toRedo;
    if (!of) return undefined;
    const diff = kind === 'undo' ? inverted(of.diff) : of.diff;
    const change = { id: nanoid(16), author: this.#author, label: of.label, kind, ofId: of.id, diff };
    if (!this.#fits(diff)) {
      this.#history.forget({ id: change.id, kind, of: of.id });
      this.#changed();
      return {
        refused: `“${of.label}” cannot be ${kind === 'undo' ? 'undone' : 'redone'}: somebody else has changed the same thing since.`,
      };
    }
    this.#apply(change);
    this.#changed();
    void this.#send();
    return { label: of.label };
  }

  /** A change as the server announces it: another's is applied, this page's own is ticked off. */
  receive(change: Change): void {
    if (change.seq <= this.#seq && this.#seqOf.has(change.id)) return;
    this.#seq = Math.max(this.#seq, change.seq);
    const own = this.#pending.some(({ id }) => id === change.id) || this.#seqOf.has(change.id);
    this.#seqOf.set(change.id, change.seq);
    this.#idOf.set(change.seq, change.id);
    if (own) return;
    // A record with a change of ours on the way stays as we made it until the server has judged.
    const ours = new Set(this.#pending.flatMap(({ diff }) => [...touched(diff)]));
    const diff = this.#possible(without(readDiff(change.diff), ours));
    this.#show(diff);
    if (change.author === this.#author)
      this.#noteAs({ ...change, diff: readDiff(change.diff) }, change.of === null ? undefined : this.#idOf.get(change.of));
    this.#changed();
  }

  /** Resolves when everything done so far has been stored. */
  stored(): Promise<void> {
    if (this.#pending.length === 0) return Promise.resolve();
    return new Promise((resolve) => {
      const stop = this.subscribe(() => {
        if (this.#pending.length > 0) return;
        stop();
        resolve();
      });
    });
  }

  /** The server has told all changes up to this one. */
  head(seq: number): void {
    this.#head = seq;
    this.#heardHead = true;
    this.#changed();
  }

  /** The connection to the server is lost: until it tells where it is, what is here may be old. */
  away(): void {
    if (!this.#heardHead) return;
    this.#head = undefined;
    this.#changed();
  }

  /** Tries again at once, when there is reason to think that the server is back. */
  retry(): void {
    this.#pause = FIRST_PAUSE;
    void this.#send();
  }

  #apply(change: Outgoing): void {
    this.#show(change.diff);
    this.#noteAs(change, change.ofId);
    this.#pending.push(change);
    this.#around.keep(this.#pending);
  }

  #show(diff: Diff): void {
    if (isEmpty(diff)) return;
    this.#document = applied(this.#document, diff);
    for (const listener of this.#heard) listener(diff);
  }

  #note(change: Change): void {
    this.#seqOf.set(change.id, change.seq);
    this.#idOf.set(change.seq, change.id);
    if (change.author === this.#author)
      this.#noteAs({ ...change, diff: readDiff(change.diff) }, change.of === null ? undefined : this.#idOf.get(change.of));
  }

  #noteAs(change: Pick<Outgoing, 'id' | 'kind' | 'label' | 'diff'>, of: string | undefined): void {
    this.#history.note({ id: change.id, kind: change.kind, of, label: change.label, diff: change.diff });
  }

  /** Whether every record that a diff changes is here as the diff knew it. */
  #fits(diff: Diff): boolean {
    const now = this.#document.records;
    return (
      diff.added.every(({ id }) => !now.has(id)) &&
      diff.removed.every((record) => same(now.get(record.id), record)) &&
      diff.updated.every(({ before }) => same(now.get(before.id), before))
    );
  }

  /** What of a diff can be shown here at all. */
  #possible(diff: Diff): Diff {
    const now = this.#document.records;
    return {
      added: diff.added.filter(({ id }) => !now.has(id)),
      updated: diff.updated.filter(({ after }) => now.has(after.id)),
      removed: diff.removed.filter(({ id }) => now.has(id)),
    };
  }

  async #send(): Promise<void> {
    if (this.#sending) return;
    this.#sending = true;
    try {
      while (this.#pending.length > 0) {
        const change = this.#pending[0]!;
        const of = change.ofId === undefined ? undefined : this.#seqOf.get(change.ofId);
        const { id, author, label, kind, diff } = change;
        let answer: Awaited<ReturnType<Surroundings['send']>>;
        try {
          answer = await this.#around.send({ id, author, label, kind, diff, ...(of === undefined ? {} : { of }) });
          if (answer.status >= 500) throw new Error(answer.body.message);
        } catch {
          this.#trouble = 'Not stored yet: the server does not answer. What you do is kept here and sent again.';
          this.#changed();
          this.#around.later(this.#pause, () => void this.#send());
          this.#pause = Math.min(LONGEST_PAUSE, this.#pause * 2);
          return;
        }
        this.#trouble = undefined;
        this.#pause = FIRST_PAUSE;
        this.#pending.shift();
        this.#around.keep(this.#pending);
        if (answer.status < 300) {
          this.#seqOf.set(change.id, answer.body.seq!);
          this.#idOf.set(answer.body.seq!, change.id);
          this.#storedAt = new Date(answer.body.at!);
        } else
          this.#refused(change, answer.body.message ?? 'This could not be stored.', (answer.body.theirs ?? []).map(readRecord));
        this.#changed();
      }
    } finally {
      this.#sending = false;
    }
  }

  /** Takes a refused change back here, and shows the records as they are on the server. */
  #refused(change: Outgoing, message: string, theirs: readonly DocumentRecord[]): void {
    this.#history.forget({ id: change.id, kind: change.kind, of: change.ofId });
    this.#show(this.#possible(inverted(change.diff)));
    const now = this.#document.records;
    this.#show({
      added: theirs.filter(({ id }) => !now.has(id)),
      updated: theirs.flatMap((after) => (now.has(after.id) ? { before: now.get(after.id)!, after } : [])),
      removed: [],
    });
    this.onRefused(message, change.diff, theirs);
  }

  #changed(): void {
    const { document, undo, redo } = this.#taken();
    const before = this.#snapshot;
    if (before.document !== document || before.undo !== undo || before.redo !== redo) this.#snapshot = { document, undo, redo };
    const state = this.#stateNow();
    if (!same(state, this.#state)) this.#state = state;
    for (const listener of this.#listeners) listener();
  }

  #taken(): Snapshot {
    return { document: this.#document, undo: this.#history.toUndo?.label, redo: this.#history.toRedo?.label };
  }

  #stateNow(): StoreState {
    if (this.#trouble) return { is: 'waiting', why: this.#trouble };
    if (this.#pending.length > 0 || this.#expecting) return { is: 'storing' };
    if (this.#heardHead && (this.#head === undefined || this.#head > this.#seq)) return { is: 'behind' };
    return { is: 'stored', at: this.#storedAt };
  }
}

function without(diff: Diff, ids: ReadonlySet<string>): Diff {
  if (ids.size === 0) return diff;
  return {
    added: diff.added.filter(({ id }) => !ids.has(id)),
    updated: diff.updated.filter(({ after }) => !ids.has(after.id)),
    removed: diff.removed.filter(({ id }) => !ids.has(id)),
  };
}
