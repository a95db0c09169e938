import type { PlacedCaret } from '@/core/compose/caret';
import type { Fit } from '@/core/compose/fit';
import type { Box, Point } from '@/core/geometry/box';
import type { Diff } from '@/core/records/diff';
import { readDiff, stored, storedDiff } from '@/core/records/stored';
import type { TextPlace } from '@/core/records/typing';
import type { Document } from '@/core/records/document';
import type { FromWorker, PlannedActions, Sentence, ToWorker } from './messages';

/** A chunk of painted page, kept by identity as long as its markup is the same. */
export interface Painted {
  readonly key: string;
  readonly frame: string;
  readonly markup: string;
  /** Its master shows it. */
  readonly furniture: boolean;
}

/** A document that tells of its changes. */
export interface DocumentSource {
  readonly document: Document;
  /** Gives how to stop listening. */
  onDiff(listener: (diff: Diff) => void): () => void;
}

/** What the typesetter last gave. */
export interface Setting {
  readonly ready: boolean;
  readonly pages: ReadonlyMap<string, readonly Painted[]>;
  readonly fits: ReadonlyMap<string, Fit>;
  readonly grown: ReadonlyMap<string, Box>;
  /** Words that waiting slots in sight take, by `slotKey`. */
  readonly slots: ReadonlyMap<string, number>;
  /** Pages drawn small, as far as they have been asked for. */
  readonly small: ReadonlyMap<string, ImageData>;
  readonly trouble: string | undefined;
  /** Of the text that is being typed; undefined where no frame shows it. */
  readonly caret: PlacedCaret | undefined;
}

const NOTHING: Setting = {
  ready: false,
  pages: new Map(),
  fits: new Map(),
  grown: new Map(),
  slots: new Map(),
  small: new Map(),
  trouble: undefined,
  caret: undefined,
};

/** A compose worker, and when it is there to take messages: what is sent before is lost. */
interface Starting {
  readonly worker: Worker;
  readonly ready: Promise<void>;
  /** Why it could not be started, or stopped; it comes to nothing as long as it works. */
  readonly stopped: Promise<string>;
}

function start(): Starting {
  const worker = new Worker(new URL('./compose.worker.ts', import.meta.url), { type: 'module' });
  const ready = new Promise<void>((resolve) => {
    const hear = ({ data }: MessageEvent<FromWorker>) => {
      if (data.type !== 'ready') return;
      worker.removeEventListener('message', hear);
      resolve();
    };
    worker.addEventListener('message', hear);
  });
  const stopped = new Promise<string>((resolve) =>
    worker.addEventListener('error', ({ message }) => resolve(message || 'its code could not be loaded')),
  );
  return { worker, ready, stopped };
}

/** The first one starts while the screen that will use it is still being built. */
let early: Starting | undefined = typeof window === 'undefined' ? undefined : start();

/** The screen's side of the compose worker: passes every diff on, and holds what came back. */
export class ComposerClient {
  readonly #worker: Worker;
  readonly #listeners = new Set<() => void>();
  readonly #asked = new Map<number, (answer: Extract<FromWorker, { type: 'answer' }>) => void>();
  readonly #stop: () => void;
  #setting = NOTHING;
  #watched: readonly string[] = [];
  #caret: { readonly text: string; readonly place: TextPlace } | undefined;
  #asks = 0;
  #turn = 0;
  /** The turn being composed, and the newest draft that waits for its end. */
  #busy = false;
  #waiting: { diff: Diff | null } | undefined;

  constructor(store: DocumentSource) {
    const { worker, ready, stopped } = early ?? start();
    early = undefined;
    this.#worker = worker;
    let waiting: ToWorker[] | undefined = [{ type: 'open', records: [...store.document.records.values()].map(stored) }];
    this.#post = (message) => (waiting ? void waiting.push(message) : worker.postMessage(message));
    worker.onmessage = ({ data }: MessageEvent<FromWorker>) => data.type !== 'ready' && this.#take(data);
    void ready.then(() => {
      const first = waiting!;
      waiting = undefined;
      for (const message of first) worker.postMessage(message);
    });
    void stopped.then((why) => this.#fail(`The typesetter stopped (${why}). Reload the page; what was done is kept.`));
    this.#stop = store.onDiff((diff) => {
      this.#waiting = undefined;
      const caret = this.#caret;
      this.#caret = undefined;
      this.#post({ type: 'apply', diff: storedDiff(diff), ...(caret ? { caret } : {}) });
    });
  }

  readonly #post: (message: ToWorker) => void;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  readonly setting = (): Setting => this.#setting;

  /** Names the pages that are looked at: only they are painted. */
  watch(pages: readonly string[]): void {
    this.#watched = pages;
    this.#post({ type: 'watch', pages });
  }

  /** Names the pages that are looked at small, so many pixels of the screen wide. */
  watchSmall(pages: readonly string[], width: number): void {
    this.#post({ type: 'small', pages, width });
  }

  /** The pages that are looked at, as they are painted: of others there may be some of before. */
  inSight(): ReadonlyMap<string, readonly Painted[]> {
    return new Map(
      this.#watched.flatMap((page) => (this.#setting.pages.has(page) ? [[page, this.#setting.pages.get(page)!]] : [])),
    );
  }

  /** Shows pages that were painted before, until they are composed. */
  showKeptSpread(pages: ReadonlyMap<string, readonly Painted[]>): void {
    if (this.#setting.pages.size > 0) return;
    this.#setting = { ...this.#setting, pages };
    this.#told();
  }

  /** Shows small pages that were drawn before, until they are drawn again. */
  showKept(pages: ReadonlyMap<string, ImageData>): void {
    if (pages.size === 0) return;
    this.#setting = { ...this.#setting, small: new Map([...pages, ...this.#setting.small]) };
    for (const listener of this.#listeners) listener();
  }

  /** Shows a change without doing it; null ends it. While one is being composed only the newest of the next is kept. */
  draft(diff: Diff | null): void {
    if (this.#busy) {
      this.#waiting = { diff };
      return;
    }
    this.#busy = true;
    this.#post({ type: 'draft', diff: diff && storedDiff(diff), turn: ++this.#turn });
  }

  /** Where the caret stands in a text; with the change that is done next, when it is said `before` it. */
  caret(text: string, place: TextPlace, before = false): void {
    this.#caret = { text, place };
    if (!before) this.#postCaret();
  }

  #postCaret(): void {
    if (this.#caret) this.#post({ type: 'caret', caret: this.#caret });
    this.#caret = undefined;
  }

  /** The place in a text that a point of a page is nearest to. */
  async placeAt(page: string, point: Point, text?: string): Promise<{ text: string; place: TextPlace } | undefined> {
    const ask = ++this.#asks;
    return (await this.#ask(ask, { type: 'place', ask, page, point, ...(text === undefined ? {} : { text }) })).place;
  }

  /** The place a line below or above another. */
  async placeBeside(text: string, place: TextPlace, by: 1 | -1): Promise<TextPlace> {
    const ask = ++this.#asks;
    return (await this.#ask(ask, { type: 'beside', ask, text, place, by })).place?.place ?? place;
  }

  /** Works an action out beside the typesetter. @throws Error with a sentence when it cannot be done */
  async plan<A extends keyof PlannedActions>(
    action: A,
    intent: PlannedActions[A],
  ): Promise<{ diff: Diff; says?: string | undefined }> {
    const ask = ++this.#asks;
    const answer = await this.#ask(ask, { type: 'plan', ask, action, intent });
    if (answer.refused !== undefined) throw new Error(answer.refused);
    const { diff, says } = answer.planned!;
    return { diff: readDiff(diff), says };
  }

  async sentences(text: string): Promise<readonly Sentence[]> {
    const ask = ++this.#asks;
    return (await this.#ask(ask, { type: 'sentences', ask, text })).sentences ?? [];
  }

  close(): void {
    this.#stop();
    this.#worker.terminate();
  }

  #ask(ask: number, message: ToWorker): Promise<Extract<FromWorker, { type: 'answer' }>> {
    return new Promise((resolve) => {
      this.#asked.set(ask, resolve);
      this.#post(message);
    });
  }

  #take(message: Exclude<FromWorker, { type: 'ready' }>): void {
    if (message.type === 'answer') {
      this.#asked.get(message.ask)?.(message);
      this.#asked.delete(message.ask);
      return;
    }
    if (message.type === 'slots') this.#setting = { ...this.#setting, slots: new Map(message.slots) };
    else if (message.type === 'drawn') {
      const small = new Map(this.#setting.small);
      for (const { page, picture } of message.pages) small.set(page, picture);
      this.#setting = { ...this.#setting, small };
    } else if (message.type === 'failed') return this.#fail(message.message);
    else {
      if (message.turn === this.#turn) this.#busy = false;
      const pages = new Map(this.#setting.pages);
      for (const { page, chunks } of message.pages) {
        const before = new Map((pages.get(page) ?? []).map((chunk) => [chunk.key, chunk]));
        pages.set(
          page,
          chunks.map(({ key, frame, markup, furniture }) =>
            markup === undefined ? (before.get(key) ?? { key, frame, markup: '', furniture }) : { key, frame, markup, furniture },
          ),
        );
      }
      const { fits, grown, slots, small } = this.#setting;
      this.#setting = {
        ready: true,
        pages,
        fits: message.fits ? new Map(message.fits) : fits,
        grown: message.grown ? new Map(message.grown) : grown,
        slots,
        small,
        trouble: undefined,
        caret: message.caret === undefined ? this.#setting.caret : (message.caret ?? undefined),
      };
    }
    this.#told();
  }

  /** Says what went wrong where the pages are. */
  #fail(why: string): void {
    this.#busy = false;
    this.#setting = { ...this.#setting, trouble: why };
    this.#told();
  }

  #told(): void {
    for (const listener of this.#listeners) listener();
    if (!this.#busy && this.#waiting) {
      const { diff } = this.#waiting;
      this.#waiting = undefined;
      this.draft(diff);
    }
  }
}
