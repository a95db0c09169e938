import type { Prepared } from './prepared';

/** The first piece that reaches beyond a character. */
export function firstPiece(pieces: Prepared['pieces'], from: number): number {
  let low = 0;
  let high = pieces.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (pieces[middle]!.to <= from) low = middle + 1;
    else high = middle;
  }
  return low;
}
