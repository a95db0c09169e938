import type { Broken, Measure } from './breaking';
import { FORCED_BREAK, type Prepared } from './prepared';

/**
 * Breaks line by line: each line takes all that fits at its natural width, as CSS layout does. A word longer than
 * its line stands out of it.
 */
export function firstFit(of: Prepared, measure: Measure): Broken {
  const breaks = [0];
  const { before, after, flag, count } = of;
  let forced = 0;
  let a = 0;
  while (a < count - 1) {
    const width = (measure.widthOf(breaks.length - 1) + SLACK) / of.scale;
    let chosen = a + 1;
    if (before[a + 1]! - after[a]! > width) forced++;
    for (let b = a + 1; b < count; b++) {
      const fits = before[b]! - after[a]! <= width;
      if (fits) chosen = b;
      if (flag[b]! === FORCED_BREAK) break;
      // A later break may be narrower than an earlier one with a hyphen, but never than one without.
      if (!fits && flag[b] === 0) break;
    }
    breaks.push(chosen);
    a = chosen;
  }
  return { breaks, demerits: NaN, forced };
}

/**
 * Points that a line may exceed its width by. A browser's layout counts in sixty-fourths; no eye sees 5 µm.
 */
const SLACK = 1 / 64;
