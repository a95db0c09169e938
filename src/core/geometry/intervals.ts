/** Intervals of a line, flat `from, to, from, to, …`, in order and apart from one another. */
export type Intervals = readonly number[];

/** Any flat list of pairs put in order, with those that touch or overlap joined. */
export function united(pairs: readonly number[]): number[] {
  const starts: number[] = [];
  for (let i = 0; i < pairs.length; i += 2) starts.push(i);
  starts.sort((a, b) => pairs[a]! - pairs[b]!);
  const out: number[] = [];
  for (const i of starts) {
    const from = pairs[i]!;
    const to = pairs[i + 1]!;
    const last = out.length - 1;
    if (last > 0 && from <= out[last]!) {
      if (to > out[last]!) out[last] = to;
    } else out.push(from, to);
  }
  return out;
}

/**
 * What of `from … to` the intervals leave free.
 *
 * @param taken in order and apart, as `united` gives them
 * @param least free stretches narrower than this are not worth a line and are left out
 */
export function freeOf(from: number, to: number, taken: Intervals, least: number): number[] {
  const out: number[] = [];
  let at = from;
  for (let i = 0; i < taken.length && at < to; i += 2) {
    const end = Math.min(taken[i]!, to);
    if (end - at >= least && end > at) out.push(at, end);
    at = Math.max(at, taken[i + 1]!);
  }
  if (to - at >= least && to > at) out.push(at, to);
  return out;
}
