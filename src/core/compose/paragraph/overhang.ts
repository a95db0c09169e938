import { type Breaks, HYPHEN_BREAK } from './breaks';
import type { Hangs, StyleRun } from './prepared';

const HYPHEN = 0x2d;

/** What hangs over the edges at each break; taken off the widths in place. */
export function overhang(breaks: Breaks, text: string, runs: readonly StyleRun[], amount: number): Hangs {
  const n = breaks.count;
  const left = new Float64Array(n);
  const right = new Float64Array(n);
  const { after, before, next, end, flag } = breaks;
  let mostLeft = 0;
  let mostRight = 0;
  let run = 0;
  for (let i = 0; i < n; i++) {
    const first = next[i]!;
    if (first < text.length) {
      while (runs[run]!.to <= first && run < runs.length - 1) run++;
      while (runs[run]!.from > first && run > 0) run--;
      const { words, factor } = runs[run]!;
      after[i]! += left[i] = words.hangs(text.charCodeAt(first)).left * amount * factor;
      mostLeft = Math.max(mostLeft, left[i]!);
    }
    const last = end[i]! - 1;
    if (i > 0 && last >= 0) {
      while (runs[run]!.to <= last && run < runs.length - 1) run++;
      while (runs[run]!.from > last && run > 0) run--;
      const { words, factor } = runs[run]!;
      const hanging = words.hangs(flag[i] === HYPHEN_BREAK ? HYPHEN : text.charCodeAt(last));
      before[i]! -= right[i] = hanging.right * amount * factor;
      mostRight = Math.max(mostRight, right[i]!);
    }
  }
  return { left, right, mostLeft, mostRight };
}
