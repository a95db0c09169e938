import type { Box } from '../../geometry/box';
import { type Exclusion, takenIn } from '../../geometry/exclusion';
import { freeOf, united } from '../../geometry/intervals';

export type Side = 'left' | 'right';

/** One column of a frame of a thread, ready to take lines. Coordinates are the frame's: its page's, or its own when it is turned. */
export interface Column {
  readonly frame: string;
  readonly page: string;
  /** Of its page, for what starts on an odd one. */
  readonly number: number;
  readonly side: Side;
  readonly box: Box;
  /** Baselines that lines on the grid keep to, `origin + k·step`; undefined where there is no grid to keep to. */
  readonly grid: { readonly origin: number; readonly step: number } | undefined;
  /** Where the first baseline stands under the column's top. */
  readonly first: 'ascent' | 'capHeight' | 'leading' | number;
  /** What the text keeps out of: only what reaches this column, and what lies outside the frame's shape. */
  readonly exclusions: readonly Exclusion[];
  /** Takes any number of lines: a growing frame's only column, or where the overset of a thread is measured. */
  readonly endless: boolean;
  /** This column holds what no frame shows. */
  readonly overset: boolean;
}

/** A frame of a thread that can be divided into columns anywhere down its height. */
export interface Divisible {
  readonly top: number;
  readonly foot: number;
  readonly balanced: boolean;
  /** Grows with its text: it has no foot of its own. */
  readonly grows: boolean;
  /**
   * Its columns between two heights; `spanning`: one as wide as all of them. The same call gives the same objects.
   * `short`: how many of the last columns end by `less` further up; where it is said, a frame that grows is bounded too.
   */
  columns(from: number, to: number, spanning: boolean, short?: number, less?: number): readonly Column[];
}

/** The free intervals of a column for a line whose text reaches from `top` to `foot`; flat pairs, left to right. */
export function freeIn(column: Column, top: number, foot: number, least: number): number[] {
  const { box } = column;
  const r = box.x + box.w;
  if (column.exclusions.length === 0) return box.w > 0 ? [box.x, r] : [];
  let taken: number[] = [];
  for (const each of column.exclusions) {
    const own = takenIn(each, top, foot, box.x, r);
    if (own.length > 0) taken = taken.length > 0 ? united([...taken, ...own]) : own;
  }
  if (taken.length === 0) return box.w > 0 ? [box.x, r] : [];
  return freeOf(box.x, r, taken, Math.min(least, box.w));
}
