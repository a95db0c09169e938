import { Checker } from '@/core/checks/checker';
import type { Composed } from '@/core/compose/composer';
import type { PageList } from '@/core/compose/displayList/displayList';
import { ALL_THERE, type PictureFiles } from '@/core/pictures/states';
import { type Beside, besides, type Measured } from '@/core/print/measured';
import type { Document } from '@/core/records/document';
import type { Shaper } from '@/core/type/shaper';
import type { PageMeter } from './pageMeter';
import type { LiveFindings } from './typesetter';

/** Milliseconds without a change before it is checked: nobody reads a list while typing. */
const REST = 160;

/** Milliseconds in which nobody asked for anything before pages are measured where that is not what is waited for. */
const QUIET = 700;

/** Milliseconds that are worked at once: whoever presses a key meanwhile waits no longer. */
const SLICE = 8;

/** The issue as it now is, composed; undefined while it is not, or while a hand moves something. */
export type Now = () => { readonly document: Document; readonly composed: Composed } | undefined;

/**
 * Checks the issue in the compose worker whenever it has come to rest, in slices between which everything else is done; pages
 * whose pixels are not known are measured after that, one at a time.
 */
export class LiveChecks {
  readonly #shaper: Shaper;
  readonly #meter: PageMeter;
  readonly #now: Now;
  readonly #inTurn: (work: () => void) => void;
  readonly #quiet: () => number;
  readonly #tell: (findings: LiveFindings) => void;
  readonly #checker = new Checker();
  #watches = false;
  #pause = 0;
  #files: PictureFiles = ALL_THERE;
  #timer: ReturnType<typeof setTimeout> | undefined;
  /** Changes with every change: what was begun for another is given up. */
  #turn = 0;

  constructor(
    shaper: Shaper,
    meter: PageMeter,
    now: Now,
    inTurn: (work: () => void) => void,
    /** Milliseconds since something was asked for. */
    quiet: () => number,
    tell: (findings: LiveFindings) => void,
  ) {
    this.#shaper = shaper;
    this.#meter = meter;
    this.#now = now;
    this.#inTurn = inTurn;
    this.#quiet = quiet;
    this.#tell = tell;
  }

  /** @param pause milliseconds between two slices of measuring */
  watch(watches: boolean, pause: number): void {
    this.#watches = watches;
    this.#pause = pause;
    this.changed();
  }

  setFiles(files: PictureFiles): void {
    this.#files = files;
    this.changed(0);
  }

  /** Something is otherwise than it was: it is looked at when nothing else is for a while. */
  changed(rest = REST): void {
    const turn = ++this.#turn;
    clearTimeout(this.#timer);
    if (this.#watches) this.#timer = setTimeout(() => this.#inTurn(() => this.#check(turn, true)), rest);
  }

  /** @param measures pages that nobody has measured are measured after it */
  #check(turn: number, measures: boolean): void {
    const now = this.#now();
    if (!now || turn !== this.#turn) return;
    const { document, composed } = now;
    const sides = besides(document, composed.pages);
    const known = (list: PageList): Measured | undefined => this.#meter.known(document, list, sides.get(list.page));
    const measured = (list: PageList) => known(list) ?? this.#meter.last(list.page);
    const sources = { face: (id: string) => this.#shaper.face(id), files: this.#files, measured };
    const until = performance.now() + SLICE;
    const findings = this.#checker.checkUntil(document, composed, sources, () => performance.now() > until);
    if (!findings) return this.#inTurn(() => this.#check(turn, measures));
    const left = composed.pages.filter((list) => known(list) === undefined);
    const pages = composed.pages.length;
    this.#tell({ findings, measured: pages - left.length, pages });
    if (measures && left.length > 0) void this.#measure(turn, document, left, sides);
  }

  /** Waits between two slices; as long as somebody works, measuring gives way altogether. */
  async #rest(): Promise<void> {
    for (let rest = this.#pause; rest > 0; rest = QUIET - this.#quiet()) {
      await new Promise((resolve) => setTimeout(resolve, rest));
      if (this.#pause === 0) return;
    }
  }

  /** Measures pages one after another, and tells what came of it every now and then. */
  async #measure(turn: number, document: Document, left: readonly PageList[], sides: ReadonlyMap<string, Beside>): Promise<void> {
    let told = performance.now();
    for (const list of left) {
      const beside = sides.get(list.page);
      const table = await this.#meter.fetch(document, list, beside);
      if (turn !== this.#turn || !table) return;
      const steps = this.#meter.measuring(document, list, beside, table);
      for (let done = false; !done && turn === this.#turn;) {
        if (this.#pause > 0) await this.#rest();
        await new Promise<void>((resolve) =>
          this.#inTurn(() => {
            const until = performance.now() + SLICE;
            while (!done && performance.now() < until) done = steps.next().done === true;
            resolve();
          }),
        );
      }
      if (turn !== this.#turn) return;
      if (performance.now() - told < TELL) continue;
      told = performance.now();
      this.#inTurn(() => this.#check(turn, false));
    }
    this.#inTurn(() => this.#check(turn, false));
  }
}

/** Milliseconds between two lists while pages are measured. */
const TELL = 400;
