import { FORCED_BREAK, HYPHEN_BREAK } from '@/core/compose/paragraph/breaks';
import type { Prepared } from '@/core/compose/paragraph/prepared';

/** Boxes, glue and penalties, as Knuth and Plass name them. */
export type Item =
  | { readonly type: 'box'; readonly width: number }
  | { readonly type: 'glue'; readonly width: number; readonly stretch: number; readonly shrink: number }
  | { readonly type: 'penalty'; readonly width: number; readonly cost: number; readonly flagged: boolean };

/** A prepared paragraph made of items, in units of one point, for trying the breaking alone. */
export function preparedOf(items: readonly Item[]): Prepared {
  const b = {
    before: [0],
    after: [0],
    stretchBefore: [0],
    stretchAfter: [0],
    shrinkBefore: [0],
    shrinkAfter: [0],
    penalty: [0],
    flag: [0],
    end: [0],
    next: [0],
  };
  let x = 0;
  let y = 0;
  let z = 0;
  items.forEach((item, i) => {
    if (item.type === 'box') x += item.width;
    else if (item.type === 'glue') {
      push(x, x + item.width, y, y + item.stretch, z, z + item.shrink, 0, 0, i);
      x += item.width;
      y += item.stretch;
      z += item.shrink;
    } else push(x + item.width, x, y, y, z, z, item.cost, item.flagged ? HYPHEN_BREAK : 0, i);
  });
  push(x, x, y, y, z, z, -Infinity, FORCED_BREAK, items.length);
  function push(
    before: number,
    after: number,
    y0: number,
    y1: number,
    z0: number,
    z1: number,
    penalty: number,
    flag: number,
    at: number,
  ) {
    b.before.push(before);
    b.after.push(after);
    b.stretchBefore.push(y0);
    b.stretchAfter.push(y1);
    b.shrinkBefore.push(z0);
    b.shrinkAfter.push(z1);
    b.penalty.push(penalty);
    b.flag.push(flag);
    b.end.push(at);
    b.next.push(at + 1);
  }
  return {
    ...({} as Prepared),
    tabs: [],
    pictures: [],
    scale: 1,
    count: b.before.length,
    before: Float64Array.from(b.before),
    after: Float64Array.from(b.after),
    stretchBefore: Float64Array.from(b.stretchBefore),
    stretchAfter: Float64Array.from(b.stretchAfter),
    shrinkBefore: Float64Array.from(b.shrinkBefore),
    shrinkAfter: Float64Array.from(b.shrinkAfter),
    penalty: Float64Array.from(b.penalty),
    flag: Uint8Array.from(b.flag),
    end: Uint32Array.from(b.end),
    next: Uint32Array.from(b.next),
  };
}

/** Adjustment ratio of a line, by the paper's definition. */
export function ratioOf(of: Prepared, a: number, b: number, width: number): number {
  const short = width - (of.before[b]! - of.after[a]!);
  if (of.flag[b] === FORCED_BREAK && short >= 0) return 0;
  const give = short >= 0 ? of.stretchBefore[b]! - of.stretchAfter[a]! : of.shrinkBefore[b]! - of.shrinkAfter[a]!;
  return short === 0 ? 0 : give > 0 ? short / give : short > 0 ? Infinity : -Infinity;
}

/** The fewest total demerits of any way to break a paragraph, by trying every way: slow, and plainly the definition. */
export function leastDemerits(
  of: Prepared,
  widths: (line: number) => number,
  options: { tolerance: number; consecutiveHyphens: number; fitnessChange: number; finalHyphen: number },
): number {
  const memo = new Map<string, number>();
  const from = (a: number, line: number, fitness: number): number => {
    if (a === of.count - 1) return 0;
    const key = `${a} ${line} ${fitness}`;
    const known = memo.get(key);
    if (known !== undefined) return known;
    let best = Infinity;
    for (let b = a + 1; b < of.count; b++) {
      const r = ratioOf(of, a, b, widths(line));
      if (r >= -1 && r <= options.tolerance) {
        const p = of.penalty[b]!;
        const badness = 1 + 100 * Math.abs(r) ** 3;
        let demerits = p >= 0 ? (badness + p) ** 2 : badness ** 2;
        if (of.flag[a] === HYPHEN_BREAK && of.flag[b] === HYPHEN_BREAK) demerits += options.consecutiveHyphens;
        if (of.flag[a] === HYPHEN_BREAK && b === of.count - 1) demerits += options.finalHyphen;
        const fit = r < -0.5 ? 0 : r <= 0.5 ? 1 : r <= 1 ? 2 : 3;
        if (Math.abs(fit - fitness) > 1) demerits += options.fitnessChange;
        best = Math.min(best, demerits + from(b, line + 1, fit));
      }
      if (of.flag[b] === FORCED_BREAK) break;
    }
    memo.set(key, best);
    return best;
  };
  return from(0, 0, 1);
}
