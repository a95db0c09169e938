import type { Box } from '../geometry/box';
import { type Exclusion, takenBy } from '../geometry/exclusion';
import { freeOf, united } from '../geometry/intervals';

/** One column of a frame of a thread, ready to take lines. Coordinates are those of the frame's page. */
export interface Column {
  readonly frame: string;
  readonly page: string;
  readonly box: Box;
  /** Baselines that lines on the grid keep to: `origin + k·step`. */
  readonly grid: { readonly origin: number; readonly step: number };
  /** What the text keeps out of: only what reaches this column. */
  readonly exclusions: readonly Exclusion[];
  /** Takes any number of lines: a growing frame's only column, or where the overset of a thread is measured. */
  readonly endless: boolean;
  /** This column holds what no frame shows. */
  readonly overset: boolean;
}

/** The free intervals of a column for a line whose text reaches from `top` to `foot`; flat pairs, left to right. */
export function freeIn(column: Column, top: number, foot: number, least: number): number[] {
  const { box } = column;
  const r = box.x + box.w;
  if (column.exclusions.length === 0) return box.w > 0 ? [box.x, r] : [];
  let taken: number[] = [];
  for (const each of column.exclusions) {
    const own = takenBy(each, top, foot);
    if (own.length > 0) taken = taken.length > 0 ? united([...taken, ...own]) : own;
  }
  if (taken.length === 0) return box.w > 0 ? [box.x, r] : [];
  return freeOf(box.x, r, taken, Math.min(least, box.w));
}
