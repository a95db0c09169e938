import { type Column, freeIn } from '../frames/column';
import { type Cursor, topOf } from './cursor';
import type { LineSpace } from './lineSpaces';

const HAIR = 0.01;

/** Share of the grid's step, or points without a grid, left free above and below a table or a picture. */
const GAP_SHARE = 0.6;
const GAP = 7;

export const gapOf = (column: Column): number => (column.grid ? column.grid.step * GAP_SHARE : GAP);

/** Room for something that stands as a whole: its place, and where what follows begins. */
export interface Room extends LineSpace {
  /** Its top edge. */
  readonly top: number;
}

/**
 * Finds room as wide as a column for a block of a given height, from a cursor on. What reaches into the column is
 * passed below; a column too low for the block is passed over, the last one takes it in any case.
 */
export function roomFor(height: (width: number) => number, cursor: Cursor, columns: readonly Column[], gap = true): Room {
  let at = cursor;
  for (;;) {
    const column = columns[at.column]!;
    const { box } = column;
    // Below a baseline the letters' descent comes first; a third of the gap is about that.
    let top = at.y + (at.atTop ? 0 : Math.max(at.after, gap ? gapOf(column) : 0));
    const h = height(box.w);
    const foot = box.y + box.h;
    const bounded = !column.endless && at.column < columns.length - 1;
    // Below each thing in the way in turn: what it reaches down to is the next place where there may be room.
    while (!(bounded && top + h > foot + HAIR) && !isFree(column, top, top + h)) {
      const next = nextFoot(column, top);
      if (next === undefined) break;
      top = next;
    }
    if (!bounded || top + h <= foot + HAIR) {
      return { column: at.column, row: 0, x: box.x, width: box.w, baseline: top + h, top, edges: 0 };
    }
    at = topOf(columns, at.column + 1);
  }
}

/** The least foot of anything in a column's way that lies below a height; undefined where there is none. */
function nextFoot(column: Column, top: number): number | undefined {
  let next = Infinity;
  for (const { reach } of column.exclusions) {
    const foot = reach.y + reach.h;
    if (foot > top + HAIR && foot < next) next = foot;
  }
  return next === Infinity ? undefined : next;
}

function isFree(column: Column, top: number, foot: number): boolean {
  if (column.exclusions.length === 0) return true;
  const free = freeIn(column, top, foot, 0);
  return free.length === 2 && free[0]! <= column.box.x + HAIR && free[1]! >= column.box.x + column.box.w - HAIR;
}

/** What follows a block: it hangs from the block's foot, a gap below. */
export const below = (column: number, foot: number, columns: readonly Column[]): Cursor => ({
  column,
  y: foot,
  atTop: false,
  edge: true,
  after: gapOf(columns[column]!),
});
