import type { Broken, Measure } from './breaking';
import { FORCED_BREAK, HYPHEN_BREAK, type Prepared } from './prepared';

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
}

/** Plain TeX's values, as in The TeXbook, chapter 14 (`\doublehyphendemerits`, `\adjdemerits`, `\finalhyphendemerits`), from memory. */
export const USUAL: TotalFitOptions = {
  tolerance: 2,
  consecutiveHyphens: 10_000,
  fitnessChange: 10_000,
  finalHyphen: 5_000,
  ragged: 0,
};

/** Tolerances tried one after another; the last takes any line, even one longer than its measure. */
const SECOND_TOLERANCE = 8;

/** Points of slack that rounding of lengths may need. */
const SLACK = 1e-4;

export function totalFit(of: Prepared, measure: Measure, options: TotalFitOptions = USUAL): Broken {
  return (
    attempt(of, measure, options, options.tolerance, false) ??
    attempt(of, measure, options, Math.max(SECOND_TOLERANCE, options.tolerance), false) ??
    attempt(of, measure, options, Infinity, true)!
  );
}

/** Fitness classes: tight, normal, loose, very loose. */
const CLASSES = 4;

function attempt(of: Prepared, measure: Measure, options: TotalFitOptions, tolerance: number, last: boolean): Broken | undefined {
  const { before, after, stretchBefore, stretchAfter, shrinkBefore, shrinkAfter, penalty, flag, count, scale } = of;
  const rag = options.ragged / scale;
  const slack = SLACK / scale;

  // Nodes: a break reached by some best way. Parallel arrays, as the paper's linked records.
  const position: number[] = [0];
  const line: number[] = [0];
  const fitness: number[] = [1];
  const total: number[] = [0];
  const previous: number[] = [-1];
  const beyond: number[] = [0];

  let active: number[] = [0];
  const widths: number[] = [];
  const widthOf = (index: number): number => {
    if (measure.uniform && index > 1) index = 1;
    return (widths[index] ??= measure.widthOf(index) / scale);
  };

  const bestTotal = new Float64Array(CLASSES);
  const bestNode = new Int32Array(CLASSES);
  const bestForced = new Uint8Array(CLASSES);

  for (let b = 1; b < count; b++) {
    const mustEnd = flag[b] === FORCED_BREAK;
    const hyphen = flag[b] === HYPHEN_BREAK;
    const isLast = b === count - 1;
    const p = penalty[b]!;
    const kept: number[] = [];
    let i = 0;
    while (i < active.length) {
      // Active nodes stand in order of their line; those of one line compete for one place.
      const group = line[active[i]!]!;
      bestTotal.fill(Infinity);
      let least = Infinity;
      const width = widthOf(group);
      while (i < active.length && (measure.uniform ? sameWidth(line[active[i]!]!, group) : line[active[i]!] === group)) {
        const node = active[i++]!;
        const a = position[node]!;
        const natural = before[b]! - after[a]!;
        const stretch = stretchBefore[b]! - stretchAfter[a]!;
        const shrink = shrinkBefore[b]! - shrinkAfter[a]!;
        const short = width - natural;
        let ratio: number;
        if (short < -slack) ratio = rag > 0 || shrink <= 0 ? -Infinity : short / shrink;
        else if (mustEnd) ratio = 0;
        else if (rag > 0) ratio = short / rag;
        else ratio = stretch > 0 ? short / stretch : short <= slack ? 0 : Infinity;

        const overfull = ratio < -1;
        if (!overfull && !mustEnd) kept.push(node);
        let force = false;
        if (overfull || ratio > tolerance) {
          // The last attempt takes what it must: the only way on, however bad.
          if (!last || (overfull && (kept.length > 0 || i < active.length || least < Infinity))) continue;
          force = true;
        }
        if (ratio === Infinity) ratio = MOST_RATIO;
        const badness = 1 + 100 * Math.min(Math.abs(force && overfull ? MOST_RATIO : ratio), MOST_RATIO) ** 3;
        let demerits = p >= 0 ? (badness + p) ** 2 : p > -Infinity ? badness ** 2 - p ** 2 : badness ** 2;
        const afterHyphen = flag[a] === HYPHEN_BREAK;
        if (hyphen && afterHyphen) demerits += options.consecutiveHyphens;
        if (isLast && afterHyphen) demerits += options.finalHyphen;
        const fit = ratio < -0.5 ? 0 : ratio <= 0.5 ? 1 : ratio <= 1 ? 2 : 3;
        if (Math.abs(fit - fitness[node]!) > 1) demerits += options.fitnessChange;
        demerits += total[node]!;
        if (demerits < bestTotal[fit]!) {
          bestTotal[fit] = demerits;
          bestNode[fit] = node;
          bestForced[fit] = force ? 1 : 0;
          if (demerits < least) least = demerits;
        }
      }
      if (least < Infinity) {
        for (let c = 0; c < CLASSES; c++) {
          // What is worse than the best by more than γ can never win it back.
          if (bestTotal[c]! > least + options.fitnessChange || bestTotal[c] === Infinity) continue;
          const from = bestNode[c]!;
          position.push(b);
          line.push(line[from]! + 1);
          fitness.push(c);
          total.push(bestTotal[c]!);
          previous.push(from);
          beyond.push(beyond[from]! + bestForced[c]!);
          kept.push(position.length - 1);
        }
      }
    }
    if (!measure.uniform) kept.sort((m, n) => line[m]! - line[n]!);
    active = kept;
    if (active.length === 0) return undefined;
  }

  let best = active[0]!;
  for (const node of active) if (total[node]! < total[best]!) best = node;
  const breaks: number[] = [];
  for (let node = best; node >= 0; node = previous[node]!) breaks.push(position[node]!);
  return { breaks: breaks.reverse(), demerits: total[best]!, forced: beyond[best]! };
}

/** Beyond this, one bad line is as bad as another. */
const MOST_RATIO = 1_000;

/** With uniform widths only the first line can differ from the rest. */
const sameWidth = (line: number, group: number): boolean => (line === 0) === (group === 0);
