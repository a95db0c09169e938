import type { Broken, Measure } from './breaking';
import { firstFit } from './firstFit';
import { EMERGENCY_BREAK, FORCED_BREAK, HYPHEN_BREAK } from '../paragraph/breaks';
import type { Prepared } from '../paragraph/prepared';
import { lastTab, tabbedEnd } from './tabs';

/**
 * Line breaking over the whole paragraph: of all ways to break it, the one with the fewest demerits.
 *
 * Source: D. E. Knuth and M. F. Plass, "Breaking Paragraphs into Lines", Software: Practice and Experience 11
 * (1981), 1119–1184. Names in comments (ρ, α, γ) are the paper's. Lines may differ in width; then breaks reached
 * at different lines are told apart, as the paper's section on "more elaborate" uses describes.
 */
export interface TotalFitOptions {
  /** ρ: the greatest adjustment ratio a line may have before the paragraph is called impossible. */
  readonly tolerance: number;
  /** α: demerits for two lines in a row that end in hyphens. */
  readonly consecutiveHyphens: number;
  /** γ: demerits for neighbours whose tightness differs by more than one class. */
  readonly fitnessChange: number;
  /** Demerits when the last line but one ends in a hyphen. */
  readonly finalHyphen: number;
  /** Points every line of ragged text may fall short by at ratio 1; 0 for justified text. */
  readonly ragged: number;
  /** Lines in a row that may end in hyphens. */
  readonly mostHyphens: number;
  /** q: lines more (or fewer) than the best number that are wished for. */
  readonly looseness: number;
  /** The last line is justified like the others. */
  readonly fillLast: boolean;
  /** Breaks that are not to be taken. */
  readonly forbidden: ReadonlySet<number> | undefined;
}

/** Plain TeX's values, as in The TeXbook, chapter 14 (`\doublehyphendemerits`, `\adjdemerits`, `\finalhyphendemerits`), from memory. */
export const USUAL: TotalFitOptions = {
  tolerance: 2,
  consecutiveHyphens: 10_000,
  fitnessChange: 10_000,
  finalHyphen: 5_000,
  ragged: 0,
  mostHyphens: Infinity,
  looseness: 0,
  fillLast: false,
  forbidden: undefined,
};

/** Tolerances tried one after another; the last takes any line, even one longer than its measure. */
const SECOND_TOLERANCE = 8;

/** Points of slack that rounding of lengths may need. */
const SLACK = 1e-4;

/**
 * Lines weighed for each possible break, on average, before an attempt is given up: usual text takes under a hundredth
 * of it. After three attempts a paragraph is broken line by line.
 */
const STEPS_A_BREAK = 4_000;

/**
 * Different numbers of lines with which one break may be reached before the worst of them are let go. Where lines differ
 * in width they must be told apart; a paragraph of forty lines reaches its last break with some six to ten numbers.
 */
const MOST_LINES = 24;

/** Hyphens in a row that are counted in the state of the search; more than this are as good as no limit. */
const MOST_COUNTED = 6;

/** The most lines that are weighed for a paragraph with so many breaks: three attempts, and first fit. */
export const mostSteps = (count: number): number => 3 * stepsOfAttempt(count) + 2 * count;

const stepsOfAttempt = (count: number): number => STEPS_A_BREAK * count + 10_000;

export function totalFit(of: Prepared, measure: Measure, options: TotalFitOptions = USUAL): Broken {
  const spent = { steps: 0 };
  return (
    attempt(of, measure, options, options.tolerance, false, spent) ??
    attempt(of, measure, options, Math.max(SECOND_TOLERANCE, options.tolerance), false, spent) ??
    attempt(of, measure, options, Infinity, true, spent) ??
    withSteps({ ...firstFit(of, measure, options.forbidden), narrowed: true }, spent.steps)
  );
}

const withSteps = (broken: Broken, before: number): Broken => ({ ...broken, steps: broken.steps + before });

/** Fitness classes: tight, normal, loose, very loose. */
const CLASSES = 4;

/** Beyond this, one loose line is as bad as another; a line that stands out is worse than any. */
const MOST_RATIO = 200;
const OVERFULL_RATIO = 1_000;

/**
 * Breaks reached by some best way, the paper's records, as columns that are used again for every paragraph. `link`
 * strings the active ones together in the order of their lines.
 */
class Nodes {
  position = new Int32Array(1024);
  line = new Int32Array(1024);
  fitness = new Uint8Array(1024);
  hyphens = new Uint8Array(1024);
  total = new Float64Array(1024);
  previous = new Int32Array(1024);
  beyond = new Int32Array(1024);
  link = new Int32Array(1024);
  count = 0;

  grow(): void {
    const more = <A extends Int32Array | Float64Array | Uint8Array>(old: A, fresh: A): A => {
      fresh.set(old);
      return fresh;
    };
    const size = this.position.length * 2;
    this.position = more(this.position, new Int32Array(size));
    this.line = more(this.line, new Int32Array(size));
    this.fitness = more(this.fitness, new Uint8Array(size));
    this.hyphens = more(this.hyphens, new Uint8Array(size));
    this.total = more(this.total, new Float64Array(size));
    this.previous = more(this.previous, new Int32Array(size));
    this.beyond = more(this.beyond, new Int32Array(size));
    this.link = more(this.link, new Int32Array(size));
  }
}

const nodes = new Nodes();
/** Places that the breaks of one line compete for: a fitness class with a number of hyphens in a row. */
const PLACES = CLASSES * (MOST_COUNTED + 1);
const bestTotal = new Float64Array(PLACES);
const bestNode = new Int32Array(PLACES);
const bestForced = new Uint8Array(PLACES);

function attempt(
  of: Prepared,
  measure: Measure,
  options: TotalFitOptions,
  tolerance: number,
  last: boolean,
  spent: { steps: number },
): Broken | undefined {
  const { before, after, stretchBefore, stretchAfter, shrinkBefore, shrinkAfter, penalty, flag, count, scale } = of;
  const { forbidden, mostHyphens, fitnessChange } = options;
  const rag = options.ragged / scale;
  const slack = SLACK / scale;
  const { uniformFrom } = measure;
  // Lines need not be told apart where all are of one width and any number of them will do.
  const mostLine = options.looseness === 0 ? uniformFrom : Infinity;
  const widths: number[] = [];
  const widthOf = (index: number): number => {
    if (index > uniformFrom) index = uniformFrom;
    return (widths[index] ??= measure.widthOf(index) / scale);
  };
  const tabbed = of.tabs.length > 0;
  const limited = mostHyphens <= MOST_COUNTED;
  const hyphenPlaces = limited ? mostHyphens + 1 : 1;
  const places = CLASSES * hyphenPlaces;
  let narrowed = false;
  // In the last group nodes stand in order of their place: where one leaves a line too loose, so do those behind it, but
  // for what hanging or negative spacing takes back.
  const back = tabbed ? Infinity : mostFall(after, count);
  const stretchBack = tabbed ? Infinity : mostFall(stretchAfter, count);

  nodes.count = 1;
  nodes.position[0] = 0;
  nodes.line[0] = 0;
  nodes.fitness[0] = 1;
  nodes.hyphens[0] = 0;
  nodes.total[0] = 0;
  nodes.previous[0] = -1;
  nodes.beyond[0] = 0;
  nodes.link[0] = -1;
  let head = 0;
  /** The end of the active nodes. */
  let tail = 0;
  const givenUp = () => {
    spent.steps += steps;
    return undefined;
  };
  const most = stepsOfAttempt(count);
  let steps = 0;

  for (let b = 1; b < count; b++) {
    const kind = flag[b]!;
    if (kind === EMERGENCY_BREAK && !last) continue;
    if (forbidden !== undefined && forbidden.has(b)) continue;
    const mustEnd = kind === FORCED_BREAK;
    const hyphen = kind === HYPHEN_BREAK;
    const isLast = b === count - 1;
    const p = penalty[b]!;
    const x = before[b]!;
    const stretchTo = stretchBefore[b]!;
    const shrinkTo = shrinkBefore[b]!;
    let left = -1;
    let node = head;
    const madeFrom = nodes.count;
    let groups = 0;
    let joining = -1;
    let joined = -1;
    while (node >= 0) {
      // Active nodes stand in order of their line; those of one line compete for one place.
      const group = nodes.line[node]!;
      bestTotal.fill(Infinity, 0, places);
      let least = Infinity;
      const width = widthOf(group);
      while (node >= 0 && nodes.line[node] === group) {
        if (++steps > most) return givenUp();
        const next = nodes.link[node]!;
        const a = nodes.position[node]!;
        const tab = tabbed ? lastTab(of, a, b) : undefined;
        const short = width - (tab ? tabbedEnd(of, a, b) : x - after[a]!);
        let ratio: number;
        if (short < -slack) {
          const shrink = shrinkTo - (tab ? tab.shrink : shrinkAfter[a]!);
          ratio = rag > 0 || shrink <= 0 ? -Infinity : short / shrink;
        } else if (mustEnd && !(isLast && options.fillLast)) ratio = 0;
        else if (rag > 0) ratio = short / rag;
        else {
          const stretch = stretchTo - (tab ? tab.stretch : stretchAfter[a]!);
          ratio = stretch > 0 ? short / stretch : short <= slack ? 0 : Infinity;
        }
        const overfull = ratio < -1;
        if (overfull || mustEnd) {
          if (left < 0) head = next;
          else nodes.link[left] = next;
        } else left = node;
        const from = node;
        node = next;
        let force = false;
        if (overfull || ratio > tolerance) {
          if (
            !mustEnd &&
            ratio > tolerance &&
            group === mostLine &&
            short - back > tolerance * (rag > 0 ? rag : stretchTo - stretchAfter[a]! + stretchBack)
          ) {
            left = tail;
            node = -1;
            break;
          }
          // The last attempt takes what it must: the only way on, however bad.
          if (!last || (overfull && (head >= 0 || least < Infinity))) continue;
          force = true;
        }
        const afterHyphen = flag[a] === HYPHEN_BREAK;
        const inARow = hyphen ? nodes.hyphens[from]! + 1 : 0;
        if (inARow > mostHyphens && !force) continue;
        const bad = force && overfull ? OVERFULL_RATIO : Math.min(Math.abs(ratio), MOST_RATIO);
        const badness = 1 + 100 * bad * bad * bad;
        let demerits = p >= 0 ? (badness + p) * (badness + p) : p > -Infinity ? badness * badness - p * p : badness * badness;
        if (afterHyphen) {
          if (hyphen) demerits += options.consecutiveHyphens;
          if (isLast) demerits += options.finalHyphen;
        }
        const fit = ratio < -0.5 ? 0 : ratio <= 0.5 ? 1 : ratio <= 1 ? 2 : 3;
        const change = fit - nodes.fitness[from]!;
        if (change > 1 || change < -1) demerits += fitnessChange;
        demerits += nodes.total[from]!;
        const at = limited ? fit * hyphenPlaces + Math.min(inARow, mostHyphens) : fit;
        if (demerits < bestTotal[at]!) {
          bestTotal[at] = demerits;
          bestNode[at] = from;
          bestForced[at] = force ? 1 : 0;
          if (demerits < least) least = demerits;
        }
      }
      if (least < Infinity) {
        groups++;
        for (let row = 0, sofar = Infinity; row < hyphenPlaces; row++) {
          // What is worse by more than γ than the best that has no more hyphens in a row can never win it back.
          for (let c = 0; c < CLASSES; c++) sofar = Math.min(sofar, bestTotal[c * hyphenPlaces + row]!);
          for (let c = 0; c < CLASSES; c++) {
            const at = c * hyphenPlaces + row;
            if (bestTotal[at]! > sofar + fitnessChange || bestTotal[at] === Infinity) continue;
            const from = bestNode[at]!;
            const made = nodes.count++;
            if (made === nodes.position.length) nodes.grow();
            nodes.position[made] = b;
            nodes.line[made] = Math.min(nodes.line[from]! + 1, mostLine);
            nodes.fitness[made] = c;
            nodes.hyphens[made] = hyphen ? Math.min(255, nodes.hyphens[from]! + 1) : 0;
            nodes.total[made] = bestTotal[at]!;
            nodes.previous[made] = from;
            nodes.beyond[made] = nodes.beyond[from]! + bestForced[at]!;
            if (nodes.line[made] === mostLine) {
              // Of the last group, whose nodes stand in order: it comes behind all that stand there now.
              nodes.link[made] = -1;
              if (joining < 0) joining = made;
              else nodes.link[joined] = made;
              joined = made;
            } else {
              nodes.link[made] = node;
              if (left < 0) head = made;
              else nodes.link[left] = made;
              left = made;
            }
          }
        }
      }
    }
    if (joining >= 0) {
      if (left < 0) head = joining;
      else nodes.link[left] = joining;
      left = joined;
    }
    if (groups > MOST_LINES && !isLast && options.looseness === 0) {
      const kept = withoutWorst(head, madeFrom, nodes.count);
      head = kept.head;
      narrowed ||= kept.close;
      left = kept.tail;
    }
    tail = left;
    if (head < 0) return givenUp();
  }

  const best = bestEnd(head, options.looseness);
  const breaks: number[] = [];
  for (let node = best; node >= 0; node = nodes.previous[node]!) breaks.push(nodes.position[node]!);
  const demerits = nodes.total[best]!;
  return { breaks: breaks.reverse(), demerits, forced: nodes.beyond[best]!, narrowed, steps: spent.steps + steps };
}

/** How far values that should grow fall behind the greatest before them. */
function mostFall(values: Float64Array, count: number): number {
  let greatest = -Infinity;
  let fall = 0;
  for (let i = 0; i < count; i++) {
    const value = values[i]!;
    if (value > greatest) greatest = value;
    else if (greatest - value > fall) fall = greatest - value;
  }
  return fall;
}

/** Nodes with so many times the demerits of the best way to a break are let go without a word. */
const HOPELESS = 10;

/**
 * Lets go of the nodes from `from` to `to`, all of one break, that are the worst: as many lines stay as may.
 * @returns the new head and tail, and whether what went was close to what stayed
 */
function withoutWorst(head: number, from: number, to: number): { head: number; tail: number; close: boolean } {
  const totals: number[] = [];
  for (let i = from; i < to; i++) totals.push(nodes.total[i]!);
  totals.sort((a, b) => a - b);
  const most = totals[Math.min(totals.length, MOST_LINES) - 1]!;
  let first = head;
  let before = -1;
  for (let node = head; node >= 0; node = nodes.link[node]!) {
    if (node >= from && nodes.total[node]! > most) {
      if (before < 0) first = nodes.link[node]!;
      else nodes.link[before] = nodes.link[node]!;
    } else before = node;
  }
  return { head: first, tail: before, close: most < HOPELESS * totals[0]! };
}

/** The end with the fewest demerits; with looseness, of those whose number of lines is nearest to the one wished for. */
function bestEnd(head: number, looseness: number): number {
  let best = head;
  for (let node = head; node >= 0; node = nodes.link[node]!) if (nodes.total[node]! < nodes.total[best]!) best = node;
  if (looseness === 0) return best;
  const wished = nodes.line[best]! + looseness;
  for (let node = head; node >= 0; node = nodes.link[node]!) {
    const off = Math.abs(nodes.line[node]! - wished);
    const bestOff = Math.abs(nodes.line[best]! - wished);
    if (off < bestOff || (off === bestOff && nodes.total[node]! < nodes.total[best]!)) best = node;
  }
  return best;
}
