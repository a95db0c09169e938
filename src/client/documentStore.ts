import { nanoid } from 'nanoid';
import { ReplaceStep, type Step } from 'prosemirror-transform';
import { bodyText } from '@/core/records/body';
import type { Change, Heading } from '@/core/records/change';
import { applied, betweenOf, type Diff, inverted, isEmpty, NO_DIFF, type TextSteps, touched, typing } from '@/core/records/diff';
import { type Document, find } from '@/core/records/document';
import { done } from '@/core/records/rebase';
import { same } from '@/core/records/same';
import { readDiff, readDocument, type StoredDiff, storedDiff, type StoredRecord } from '@/core/records/stored';
import { rebased, type Since, takenBack } from '@/core/records/turn';
import { History, type Turnable } from './history';

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

/** What a change is made by: from the document as it is. */
export type Action = (document: Document) => Diff;

/** A change on its way to the server, as it is on top of what the server has. */
interface Outgoing {
  readonly id: string;
  readonly author: string;
  readonly label: string;
  readonly kind: 'edit' | 'undo' | 'redo';
  readonly ofId: string | undefined;
  diff: Diff;
  /** What made it, where this page did: it can be done again on another document. */
  readonly action?: Action | undefined;
  /** It is still being typed: more may be added before it is sent. */
  open: boolean;
  /** What was sent and not answered: it may be stored, so nothing else is sent in its place. */
  sent: { readonly base: number; readonly diff: StoredDiff } | undefined;
  /** The server has it; it comes here once all before it has. */
  stored: boolean;
}

/** A change as it is kept on this machine. */
interface Kept extends Omit<Outgoing, 'diff' | 'action' | 'open' | 'stored'> {
  readonly diff: StoredDiff;
  /** The last change of the server beneath it. */
  readonly base: number;
}

export interface Opened {
  readonly seq: number;
  readonly records: readonly StoredRecord[];
  /** The last changes, by name: what they did is fetched when it is undone. */
  readonly history: readonly Heading[];
}

export interface Answer {
  readonly status: number;
  readonly body: {
    readonly change?: Change;
    readonly others?: readonly Change[];
    readonly message?: string;
  };
}

/** What the store needs of the world around it; a test gives it another. */
export interface Surroundings {
  send(change: {
    readonly id: string;
    readonly author: string;
    readonly label: string;
    readonly kind: 'edit' | 'undo' | 'redo';
    readonly of?: number;
    readonly base: number;
    readonly diff: StoredDiff;
  }): Promise<Answer>;
  /** A change by number, and those since that touch the same texts, up to `upTo`. @throws Error with a sentence */
  fetchChange(seq: number, upTo: number): Promise<{ readonly change: Change; readonly since: readonly Change[] }>;
  /** All changes after one, up to another. @throws Error with a sentence */
  fetchAfter(seq: number, upTo: number): Promise<readonly Change[]>;
  /** Keeps what is not sent on this machine. @throws where it cannot */
  keep(pending: readonly unknown[]): Promise<void>;
  /** What earlier pages kept. */
  kept(): Promise<readonly unknown[]>;
  later(milliseconds: number, work: () => void): void;
}

/** First pause before a change is sent again after the server could not be reached; doubled up to the longest. */
const FIRST_PAUSE = 400;
const LONGEST_PAUSE = 8_000;

/** A change that came since the document was opened. */
interface Logged extends Since {
  readonly seq: number;
  readonly diff: Diff;
}

export type Turned = { readonly label: string } | { readonly refused: string } | undefined;

const storedForms = new WeakMap<Diff, StoredDiff>();

/** The stored form of a diff, made once: what waits is kept anew with every key, and only the last of it changes. */
function storedOnce(diff: Diff): StoredDiff {
  let form = storedForms.get(diff);
  if (!form) storedForms.set(diff, (form = storedDiff(diff)));
  return form;
}

/**
 * The browser's document: what the server has stored, with what was done here since on top. Every change is applied
 * at once, kept on this machine until the server has answered "stored", and sent in order. Changes of others come in
 * beneath: what waits is rebased on them. Where both changed the same property the server refuses the later, and both
 * versions are told.
 */
export class DocumentStore {
  readonly #author: string;
  readonly #around: Surroundings;
  readonly #listeners = new Set<() => void>();
  readonly #heard = new Set<(diff: Diff) => void>();
  readonly #history = new History();
  /** Change ids by number and back: an undo is sent with the number of what it undoes. */
  readonly #seqOf = new Map<string, number>();
  readonly #idOf = new Map<number, string>();
  /** What the server has, up to `#seq`; and what was done on top. */
  #confirmed: Document;
  #document: Document;
  #seq: number;
  /** What changes up to this one did is not held here: it is fetched when it is needed. */
  #forgotten: number;
  readonly #log: Logged[] = [];
  /** Changes that came before one that is still to come. */
  readonly #early = new Map<number, Change>();
  #pending: Outgoing[] = [];
  #sending = false;
  /** What earlier pages left has been taken up: until then nothing is kept over it. */
  #restored = false;
  #keeping = false;
  #keepsOld = false;
  /** The browser cannot keep what waits: only this page has it. */
  #unkept = false;
  /** The server said that others were first, and what they did is still to come. */
  #stale = false;
  #pause = FIRST_PAUSE;
  #storedAt: Date | undefined;
  #trouble: string | undefined;
  #snapshot: Snapshot;
  #state: StoreState;
  /** The number of the last change there is, as far as the server has told; undefined while it cannot. */
  #head: number | undefined;
  #heardHead = false;
  /**
   * Told when something that was done here could not be stored: `again` does it on what there is now, where that can be;
   * `words` are those that were written in it.
   */
  onRefused: (message: string, again: (() => void) | undefined, words: string) => void = () => undefined;

  constructor(opened: Opened, author: string, around: Surroundings) {
    this.#author = author;
    this.#around = around;
    this.#confirmed = this.#document = readDocument(opened.records);
    this.#seq = this.#forgotten = opened.seq;
    for (const heading of opened.history) this.#note(heading);
    this.#storedAt = opened.history.length > 0 ? new Date(opened.history.at(-1)!.at) : undefined;
    this.#snapshot = this.#taken();
    this.#state = this.#stateNow();
    void this.#restore();
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

  actWhole(label: string, action: Action): void {
    this.act(label, action);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  readonly snapshot = (): Snapshot => this.#snapshot;

  /** How far what was done here has come; the same object as long as it says the same. */
  readonly state = (): StoreState => this.#state;

  /** Tells of every diff that changes the document, wherever it comes from, in order. */
  onDiff(listener: (diff: Diff) => void): () => void {
    this.#heard.add(listener);
    return () => this.#heard.delete(listener);
  }

  /**
   * Does what an action makes of the document, and gives it. Where somebody else was first, the action itself can be
   * done again on what there is then. @throws ActionError with a sentence where it cannot be done
   */
  act(label: string, action: Action): Diff {
    const diff = action(this.#document);
    this.#do(label, diff, action);
    return diff;
  }

  /** Does a change. An empty diff is no change. */
  do(label: string, diff: Diff): void {
    this.#do(label, diff, undefined);
  }

  #do(label: string, diff: Diff, action: Action | undefined): void {
    if (isEmpty(diff)) return;
    this.rest();
    this.#apply({ ...this.#made(label, 'edit', undefined, diff), action });
    this.#changed();
    void this.#send();
  }

  /** Does steps on a text that more may follow: they are one change, sent when the hand rests. */
  type(label: string, text: string, steps: readonly Step[]): void {
    const record = find(this.#document, 'text', text);
    if (!record || steps.length === 0) return;
    const diff = typing(text, done(record.body, steps));
    const last = this.#pending.at(-1);
    const before = last?.open ? last.diff.texts[0] : undefined;
    if (last && before?.id === text && last.label === label) {
      this.#show(diff);
      last.diff = { ...last.diff, texts: joined([before, ...diff.texts]) };
      this.#keep();
    } else {
      this.rest();
      this.#apply({ ...this.#made(label, 'edit', undefined, diff), open: true });
    }
    this.#changed();
  }

  /** Ends what is being typed: it is one change, and is sent. */
  rest(): void {
    const last = this.#pending.at(-1);
    if (!last?.open) return;
    last.open = false;
    this.#changed();
    void this.#send();
  }

  /** Takes the last change of this author back. Gives what was undone, or a sentence why it cannot be. */
  undo(): Promise<Turned> {
    return this.#turn('undo');
  }

  redo(): Promise<Turned> {
    return this.#turn('redo');
  }

  async #turn(kind: 'undo' | 'redo'): Promise<Turned> {
    this.rest();
    const of = kind === 'undo' ? this.#history.toUndo : this.#history.toRedo;
    if (!of) return undefined;
    const back = this.#foundHere(of.last) ?? (await this.#fetched(of));
    if ('refused' in back) return back;
    // Meanwhile something else may have been done: then that is what comes first.
    if ((kind === 'undo' ? this.#history.toUndo : this.#history.toRedo) !== of) return this.#turn(kind);
    const diff = takenBack(back.diff, back.since, this.#document);
    if (!diff) {
      this.#history.forget({ id: nanoid(16), kind, of: of.edit });
      this.#changed();
      return {
        refused: `“${of.label}” cannot be ${kind === 'undo' ? 'undone' : 'redone'}: somebody else has changed the same thing since.`,
      };
    }
    this.#apply(this.#made(of.label, kind, of.edit, diff));
    this.#changed();
    void this.#send();
    return { label: of.label };
  }

  /** What a change that came or was done since the document was opened did, and what was done since. */
  #foundHere(id: string): { diff: Diff; since: readonly Since[] } | undefined {
    const at = this.#log.findIndex((each) => each.id === id);
    if (at >= 0) return { diff: this.#log[at]!.diff, since: [...this.#log.slice(at + 1), ...this.#waiting(0)] };
    // What waits lies on top of all that came.
    const waits = this.#pending.findIndex((each) => each.id === id);
    return waits < 0 ? undefined : { diff: this.#pending[waits]!.diff, since: this.#waiting(waits + 1) };
  }

  #waiting(from: number): readonly Since[] {
    return this.#pending.slice(from).map(({ id, ofId, diff }) => ({ id, of: ofId, texts: diff.texts }));
  }

  async #fetched(of: Turnable): Promise<{ diff: Diff; since: readonly Since[] } | { refused: string }> {
    try {
      const { change, since } = await this.#around.fetchChange(this.#seqOf.get(of.last)!, this.#forgotten);
      const before = since.map((each) => this.#logged(each));
      return { diff: readDiff(change.diff), since: [...before, ...this.#log, ...this.#waiting(0)] };
    } catch (error) {
      return { refused: `“${of.label}” cannot be undone or redone now: ${(error as Error).message}` };
    }
  }

  /** A change as the server has stored it, another's or this page's own. Those that come early wait for those before. */
  receive(change: Change): void {
    if (change.seq <= this.#seq) return;
    this.#early.set(change.seq, change);
    let came = false;
    for (let next = this.#early.get(this.#seq + 1); next; next = this.#early.get(this.#seq + 1)) {
      this.#early.delete(next.seq);
      this.#confirm(next);
      came = true;
    }
    if (!came) return;
    this.#stale = false;
    this.#changed();
    void this.#send();
  }

  #confirm(change: Change): void {
    const logged = this.#logged(change);
    this.#seq = change.seq;
    this.#log.push(logged);
    if (this.#log.length > MOST_LOGGED) this.#forgotten = this.#log.splice(0, MOST_LOGGED / 2).at(-1)!.seq;
    const own = this.#pending.findIndex(({ id }) => id === change.id);
    const before = this.#confirmed;
    this.#confirmed = possible(before, logged.diff);
    if (own === 0) {
      const mine = this.#pending.shift()!;
      this.#seqOf.set(change.id, change.seq);
      this.#idOf.set(change.seq, change.id);
      this.#storedAt = new Date(change.at);
      this.#keep();
      // As it was sent: what is shown is what it was already.
      if (!same(storedOnce(mine.diff), change.diff)) this.#refold(NO_DIFF, [...touched(mine.diff), ...touched(logged.diff)]);
      return;
    }
    this.#note(change);
    this.#refold(logged.diff, touched(logged.diff));
  }

  /** Rebases what waits on what came beneath it, and shows what differs. */
  #refold(over: Diff, ids: Iterable<string>): void {
    const before = this.#document;
    if (this.#pending.length === 0) this.#document = this.#confirmed;
    else {
      const { document, waiting } = rebased(
        this.#confirmed,
        this.#pending.map(({ diff }) => diff),
        over,
        possible,
      );
      this.#document = document;
      waiting.forEach((diff, i) => (this.#pending[i]!.diff = diff));
      this.#keep();
    }
    this.#tell(betweenOf(before, this.#document, new Set(ids)));
  }

  #logged(change: Change): Logged {
    const diff = readDiff(change.diff);
    const of = change.of === null ? undefined : this.#idOf.get(change.of);
    return { seq: change.seq, id: change.id, of, texts: diff.texts, diff };
  }

  /** Resolves when everything done so far has been stored. */
  stored(): Promise<void> {
    this.rest();
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

  /** What earlier pages did not get through to the server is done again; the server knows changes by their id. */
  async #restore(): Promise<void> {
    let kept: readonly Kept[] = [];
    let missed: readonly Logged[] = [];
    try {
      kept = (await this.#around.kept()) as readonly Kept[];
      const base = Math.min(...kept.filter(({ id }) => !this.#seqOf.has(id)).map((change) => change.base));
      const held = this.#forgotten;
      if (base < held) missed = (await this.#around.fetchAfter(base, held)).map((change) => this.#logged(change));
    } catch {
      // What is kept stays kept until it can be read, and what it is based on be had: nothing is written over it.
      this.#around.later(LONGEST_PAUSE, () => void this.#restore());
      return;
    }
    this.#restored = true;
    const since = [...missed, ...this.#log];
    const known = new Set(since.map(({ id }) => id));
    const news = kept.filter(({ id }) => !known.has(id) && !this.#seqOf.has(id));
    if (news.length > 0) this.rest();
    // Each was done on what the server had then: others' changes since, and what was done here meanwhile, come beneath.
    for (const base of new Set(news.map((change) => change.base))) {
      const own = news.filter((change) => change.base === base);
      const beneath = [
        ...since.filter(({ seq }) => seq > base).map(({ texts }) => texts),
        ...this.#pending.map(({ diff }) => diff.texts),
      ];
      const { waiting } = rebased(
        this.#document,
        own.map(({ diff }) => readDiff(diff)),
        { ...NO_DIFF, texts: joined(beneath.flat()) },
        possible,
      );
      own.forEach(({ base: _, ...change }, i) => this.#apply({ ...change, diff: waiting[i]!, open: false, stored: false }));
    }
    this.#keep();
    this.#changed();
    void this.#send();
  }

  #made(label: string, kind: Outgoing['kind'], ofId: string | undefined, diff: Diff): Outgoing {
    return { id: nanoid(16), author: this.#author, label, kind, ofId, diff, open: false, sent: undefined, stored: false };
  }

  #apply(change: Outgoing): void {
    this.#show(change.diff);
    this.#history.note({ id: change.id, kind: change.kind, of: change.ofId, label: change.label });
    this.#pending.push(change);
    this.#keep();
  }

  /** Keeps what waits as it is when the last keeping is done. */
  #keep(): void {
    if (!this.#restored) return;
    this.#keepsOld = true;
    if (!this.#keeping) void this.#kept();
  }

  async #kept(): Promise<void> {
    this.#keeping = true;
    while (this.#keepsOld) {
      this.#keepsOld = false;
      const list = this.#pending.map(({ open: _, stored: __, action: ___, diff, ...change }): Kept => ({
        ...change,
        diff: storedOnce(diff),
        base: this.#seq,
      }));
      try {
        await this.#around.keep(list);
        this.#unkept = false;
      } catch {
        this.#unkept = list.length > 0;
      }
    }
    this.#keeping = false;
    this.#changed();
  }

  #show(diff: Diff): void {
    if (isEmpty(diff)) return;
    this.#document = applied(this.#document, diff);
    this.#tell(diff);
  }

  #tell(diff: Diff): void {
    if (isEmpty(diff)) return;
    for (const listener of this.#heard) listener(diff);
  }

  #note({ id, seq, author, label, kind, of }: Heading): void {
    this.#seqOf.set(id, seq);
    this.#idOf.set(seq, id);
    if (author !== this.#author) return;
    this.#history.note({ id, kind, label, of: of === null ? undefined : this.#idOf.get(of) });
  }

  async #send(): Promise<void> {
    if (this.#sending) return;
    this.#sending = true;
    try {
      for (let change = this.#pending[0]; change && !change.open && !change.stored && !this.#stale; change = this.#pending[0]) {
        const of = change.ofId === undefined ? undefined : this.#seqOf.get(change.ofId);
        const { id, author, label, kind } = change;
        const { base, diff } = (change.sent ??= { base: this.#seq, diff: storedOnce(change.diff) });
        let answer: Answer;
        try {
          answer = await this.#around.send({ id, author, label, kind, base, diff, ...(of === undefined ? {} : { of }) });
          if (answer.status >= 500) throw new Error(answer.body.message);
        } catch {
          this.#trouble = 'Not saved yet: the server is not answering. Your work is kept here and sent again.';
          this.#changed();
          this.#later();
          return;
        }
        this.#trouble = undefined;
        this.#pause = FIRST_PAUSE;
        if (answer.status < 300) {
          change.stored = true;
          for (const each of [...(answer.body.others ?? []), answer.body.change!]) this.receive(each);
        } else if (answer.status === STALE) {
          change.sent = undefined;
          // What others did comes by itself; it is asked again in case it does not.
          if (this.#seq === base) {
            this.#stale = true;
            this.#later();
          }
        } else this.#refused(change, answer.body.message ?? 'This could not be saved.');
        this.#changed();
      }
    } finally {
      this.#sending = false;
    }
  }

  #later(): void {
    this.#around.later(this.#pause, () => {
      this.#stale = false;
      void this.#send();
    });
    this.#pause = Math.min(LONGEST_PAUSE, this.#pause * 2);
  }

  /** Takes a refused change back here; what others did instead comes by itself. */
  #refused(change: Outgoing, message: string): void {
    this.#pending.shift();
    this.#history.forget({ id: change.id, kind: change.kind, of: change.ofId });
    this.#refold(inverted(change.diff), touched(change.diff));
    const again = change.action || change.diff.updated.length > 0 ? () => this.#again(change) : undefined;
    this.onRefused(message, again, wordsIn(change.diff));
  }

  /**
   * Does what was refused on what there is now: the action again, or, where a page before this one did it and only its
   * outcome is left, the properties that it set.
   */
  #again({ label, diff, action }: Outgoing): void {
    if (action) {
      try {
        this.act(label, action);
      } catch (error) {
        this.onRefused((error as Error).message, undefined, wordsIn(diff));
      }
      return;
    }
    const { waiting } = rebased(this.#document, [diff], NO_DIFF, possible);
    const updated = waiting[0]!.updated.flatMap(({ after }) => {
      const before = this.#document.records.get(after.id);
      return before ? [{ before, after }] : [];
    });
    this.do(label, { ...NO_DIFF, updated });
  }

  #changed(): void {
    const before = this.#snapshot;
    const { undo, redo, document: now } = this.#taken();
    // While something is typed the whole screen need not follow every key, nor what others do meanwhile.
    const document = this.#pending.at(-1)?.open ? before.document : now;
    if (before.document !== document || before.undo !== undo || before.redo !== redo) this.#snapshot = { document, undo, redo };
    const state = this.#stateNow();
    if (!same(state, this.#state)) this.#state = state;
    for (const listener of this.#listeners) listener();
  }

  #taken(): Snapshot {
    return { document: this.#document, undo: this.#history.toUndo?.label, redo: this.#history.toRedo?.label };
  }

  #stateNow(): StoreState {
    if (this.#unkept && this.#pending.length > 0)
      return { is: 'waiting', why: 'Not saved yet, and this browser has no room to keep it: leave this page open until it is.' };
    if (this.#trouble) return { is: 'waiting', why: this.#trouble };
    if (this.#pending.length > 0) return { is: 'storing' };
    if (this.#heardHead && (this.#head === undefined || this.#head > this.#seq)) return { is: 'behind' };
    return { is: 'stored', at: this.#storedAt };
  }
}

/** Changes whose doing is held; beyond that the older half is forgotten. */
const MOST_LOGGED = 1_000;

/** The status of an answer that says: others were first. */
const STALE = 412;

/** The words that a change put in: into texts, and as texts. */
function wordsIn({ added, texts }: Diff): string {
  const put = texts.flatMap(({ steps }) =>
    steps.flatMap((step) =>
      step instanceof ReplaceStep ? step.slice.content.textBetween(0, step.slice.content.size, '\n') : [],
    ),
  );
  const whole = added.flatMap((record) => (record.kind === 'text' ? bodyText(record.body) : []));
  return [put.join(''), ...whole].filter((words) => words.trim() !== '').join('\n\n');
}

/** Steps on the same text after one another as one. */
function joined(texts: readonly TextSteps[]): readonly TextSteps[] {
  const out = new Map<string, TextSteps>();
  for (const { id, steps, back } of texts) {
    const before = out.get(id);
    out.set(id, before ? { id, steps: [...before.steps, ...steps], back: [...back, ...before.back] } : { id, steps, back });
  }
  return [...out.values()];
}

/** A document with what of a diff can be done to it at all. */
function possible(document: Document, diff: Diff): Document {
  const now = document.records;
  const fits: Diff = {
    added: diff.added.filter(({ id }) => !now.has(id)),
    updated: diff.updated.filter(({ after }) => now.has(after.id)),
    removed: diff.removed.filter(({ id }) => now.has(id)),
    texts: [],
  };
  let out = applied(document, fits);
  for (const own of diff.texts) {
    try {
      out = applied(out, { ...NO_DIFF, texts: [own] });
    } catch {
      // The text is gone, or its place: whoever judges the change says so.
    }
  }
  return out;
}
