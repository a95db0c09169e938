/** The middle of some figures, and the value that 95 of 100 stay under. */
export const median = (figures: readonly number[]): number => quantile(figures, 0.5);
export const most = (figures: readonly number[]): number => quantile(figures, 0.95);

function quantile(figures: readonly number[], share: number): number {
  const sorted = [...figures].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))]!;
}

/** Milliseconds that something takes. */
export function timed(work: () => void): number {
  const from = performance.now();
  work();
  return performance.now() - from;
}

/** Mean absolute deviation from 1 of word spaces given as shares of the face's own. */
export const unevenness = (spaces: readonly number[]): number =>
  spaces.reduce((sum, each) => sum + Math.abs(each - 1), 0) / spaces.length;
