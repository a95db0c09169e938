import type { Broken, Measure } from './breaking';
import { EMERGENCY_BREAK, FORCED_BREAK, PLAIN_BREAK } from '../paragraph/breaks';
import type { Prepared } from '../paragraph/prepared';
import { tabbedEnd } from './tabs';

/**
 * Breaks line by line: each line takes all that fits at its natural width, as CSS layout does. A word longer than
 * its line is parted where it must be, or stands out of it.
 */
export function firstFit(of: Prepared, measure: Measure, forbidden?: ReadonlySet<number>): Broken {
  const breaks = [0];
  const { before, after, flag, count } = of;
  let forced = 0;
  let steps = 0;
  let a = 0;
  while (a < count - 1) {
    const width = measure.widthOf(breaks.length - 1) + SLACK;
    const reach = (b: number) => (of.tabs.length > 0 ? tabbedEnd(of, a, b) : before[b]! - after[a]!);
    const room = width / of.scale;
    let chosen = -1;
    let parted = -1;
    for (let b = a + 1; b < count; b++) {
      steps++;
      const kind = flag[b]!;
      if (forbidden?.has(b)) continue;
      const fits = reach(b) <= room;
      if (kind === EMERGENCY_BREAK) {
        // None behind it is narrower.
        if (!fits) break;
        if (chosen < 0) parted = b;
        continue;
      }
      if (fits) chosen = b;
      // A later break may be narrower than an earlier one with a hyphen, but never than one without.
      if (kind === FORCED_BREAK || (!fits && kind === PLAIN_BREAK)) break;
    }
    if (chosen < 0) {
      forced++;
      chosen = parted >= 0 ? parted : firstAfter(of, a, forbidden);
    }
    breaks.push(chosen);
    a = chosen;
  }
  return { breaks, demerits: NaN, forced, narrowed: false, steps };
}

/** Where nothing fits: the first break there is. */
function firstAfter(of: Prepared, a: number, forbidden: ReadonlySet<number> | undefined): number {
  let b = a + 1;
  while (b < of.count - 1 && forbidden?.has(b)) b++;
  return b;
}

/**
 * Points that a line may exceed its width by. A browser's layout counts in sixty-fourths; no eye sees 5 µm.
 */
const SLACK = 1 / 64;
