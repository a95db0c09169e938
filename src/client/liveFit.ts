import { Composer } from '@/core/compose/composer';
import { Fitting } from '@/core/fit/fitting';
import type { TriedMend } from '@/core/fit/way';
import type { Document } from '@/core/records/document';
import { storedDiff } from '@/core/records/stored';
import type { Shaper } from '@/core/type/shaper';
import type { FitFound, FitTogether } from './typesetter';

/** Milliseconds that are worked at once: whoever presses a key meanwhile waits no longer. */
const SLICE = 12;

/** Milliseconds between two lists while more is found. */
const TELL = 120;

/** Tries in the compose worker what would make a text fit, in slices, and tells what helps as it is found. */
export class LiveFit {
  readonly #composer: Composer;
  readonly #inTurn: (work: () => void) => void;
  readonly #tell: (found: FitFound) => void;
  #fitting: Fitting | undefined;

  constructor(shaper: Shaper, inTurn: (work: () => void) => void, tell: (found: FitFound) => void) {
    this.#composer = new Composer(shaper);
    this.#inTurn = inTurn;
    this.#tell = tell;
  }

  /** The text that is being made to fit. */
  get text(): string | undefined {
    return this.#fitting?.text;
  }

  /** Begins with a text; what was begun before is given up. @throws Error where it is on no page */
  begin(document: Document, text: string): void {
    const fitting = new Fitting(document, text, this.#composer);
    this.#fitting = fitting;
    const steps = fitting.mends();
    const found: TriedMend[] = [];
    let told = performance.now();
    const tell = (isDone: boolean) => this.#tell({ text, fit: fitting.fit, mends: [...found], isDone });
    const work = () => {
      if (this.#fitting !== fitting) return;
      const until = performance.now() + SLICE;
      let news = false;
      while (performance.now() < until) {
        const step = steps.next();
        if (step.done) return tell(true);
        if (!step.value) continue;
        found.push(step.value);
        news = true;
      }
      if (news && (found.length === 1 || performance.now() - told > TELL)) {
        told = performance.now();
        tell(false);
      }
      this.#inTurn(work);
    };
    tell(false);
    this.#inTurn(work);
  }

  end(): void {
    this.#fitting = undefined;
  }

  /** What several mends do together. @throws ActionError, Error */
  together(ids: readonly string[]): FitTogether {
    if (!this.#fitting) throw new Error('Nothing is being made to fit.');
    const { diff, fit } = this.#fitting.together(ids);
    return { diff: storedDiff(diff), fit };
  }
}
