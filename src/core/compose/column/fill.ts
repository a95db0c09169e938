import type { StartIn } from '../../records/paragraphStyle';
import type { Column } from '../frames/column';
import { type Cursor, topOf } from './cursor';
import { type Figure, placeFigure } from './figure';
import { placeParagraph } from './placeParagraph';
import { type Filled, type PlacedBlock } from './placed';
import type { Prepared } from '../paragraph/prepared';
import { placeTable, type PreparedTable } from './table';

/** A block to be filled in, with its wish to start afresh. */
export type Fillable = { readonly startIn: StartIn | undefined } & (
  | { readonly type: 'paragraph'; readonly source: Prepared }
  | { readonly type: 'table'; readonly source: PreparedTable }
  | { readonly type: 'figure'; readonly source: Figure }
);

/** How many blocks at the beginning and at the end of a list are those of an earlier one, at its beginning and end. */
export interface Shared {
  readonly of: readonly Fillable[];
  readonly head: number;
  readonly foot: number;
}

interface FillFrom {
  /** Where the first block begins, and how many blocks of the earlier filling come before it. */
  readonly from?: Cursor | undefined;
  readonly shift?: number | undefined;
  /** Where it is known: what of these blocks the earlier filling was made of. */
  readonly shared?: Shared | undefined;
}

/**
 * Fills columns with blocks, in order. The last column must be endless: whatever does not fit before it ends up
 * there, so that every line of the text is in exactly one place.
 *
 * Blocks of an earlier filling are taken over where nothing about them changed: made from the same, with the same
 * beginning and the same columns. So the work goes with the change and not with the length of the text.
 *
 */
export function fill(
  blocks: readonly Fillable[],
  columns: readonly Column[],
  earlier?: Filled,
  { from = topOf(columns, 0), shift = 0, shared }: FillFrom = {},
): PlacedBlock[] {
  const same = earlier ? sameBefore(earlier.columns, columns) : 0;
  const done =
    earlier && from.column === 0 && shift === 0
      ? untouched(blocks, earlier.blocks, same === columns.length ? Infinity : same, shared)
      : [];
  const moved = new Set<number>();
  const known = earlier && new Known(earlier.blocks, shift);
  let cursor = done.length > 0 ? done[done.length - 1]!.end : from;
  for (let i = done.length; i < blocks.length; i++) {
    const of = blocks[i]!;
    const start = moved.has(i) ? nextColumn(columns, cursor) : startedIn(columns, cursor, of.startIn);
    const before = known?.find(of.source, i, blocks[i + 1]?.source);
    const kept = before && takeOver(before, of, start, moved.has(i), earlier!.columns, columns);
    const placed = kept ?? place(of, start, moved.has(i), columns);
    done[i] = placed;
    const back = headingToMove(done, blocks, i, moved, columns);
    if (back !== undefined) {
      moved.add(back);
      done.length = back;
      cursor = back > 0 ? done[back - 1]!.end : from;
      i = back - 1;
      continue;
    }
    cursor = placed.end;
    // Where a block lands as it did before, and all that follow are the same, they land as they did too.
    if (kept && same === columns.length && earlier!.columns.length === same && known!.sameFrom(i, blocks, shared)) {
      return done.concat(earlier!.blocks.slice(known!.at(i) + 1));
    }
  }
  return done;
}

/** How many columns at the beginning are the same. */
function sameBefore(old: readonly Column[], columns: readonly Column[]): number {
  if (old === columns) return columns.length;
  const n = Math.min(old.length, columns.length);
  let i = 0;
  while (i < n && old[i] === columns[i]) i++;
  return i;
}

/** The blocks at the beginning that nothing before or behind them can have changed. */
function untouched(
  blocks: readonly Fillable[],
  old: readonly PlacedBlock[],
  same: number,
  shared: Shared | undefined,
): PlacedBlock[] {
  let n = shared && same === Infinity ? shared.head : 0;
  while (
    n < old.length &&
    n < blocks.length &&
    old[n]!.source === blocks[n]!.source &&
    old[n]!.startIn === blocks[n]!.startIn &&
    old[n]!.reached < same
  )
    n++;
  // The last of them may have been sent on for the sake of what followed it, and heads before it with it.
  if (n < blocks.length || n < old.length) n--;
  while (n > 0 && (old[n - 1]!.prepared?.style.keepNext ?? 0) > 0) n--;
  return old.slice(0, Math.max(0, n));
}

function place(of: Fillable, start: Cursor, moved: boolean, columns: readonly Column[]): PlacedBlock {
  if (of.type === 'paragraph') return placeParagraph(of.source, of.startIn, start, moved, columns);
  return of.type === 'table'
    ? placeTable(of.source, of.startIn, start, moved, columns)
    : placeFigure(of.source, of.startIn, start, moved, columns);
}

/** Finds blocks of an earlier filling: mostly at the same place, or moved by as many as were put in or taken out. */
class Known {
  readonly #blocks: readonly PlacedBlock[];
  #offset: number;
  #index: Map<object, number> | undefined;

  constructor(blocks: readonly PlacedBlock[], shift: number) {
    this.#blocks = blocks;
    this.#offset = shift;
  }

  /** @param following what comes behind block `i`: where that stood there before, only block `i` is another */
  find(source: object, i: number, following: object | undefined): PlacedBlock | undefined {
    const near = this.#blocks[i + this.#offset];
    if (near?.source === source) return near;
    if (following !== undefined && this.#blocks[i + this.#offset + 1]?.source === following) return undefined;
    const next = this.#blocks[i + this.#offset + 1];
    const after = this.#blocks[i + this.#offset - 1];
    if (next?.source === source) this.#offset++;
    else if (after?.source === source) this.#offset--;
    else {
      this.#index ??= new Map(this.#blocks.map((block, at) => [block.source, at]));
      const at = this.#index.get(source);
      if (at === undefined) return undefined;
      this.#offset = at - i;
    }
    return this.#blocks[i + this.#offset];
  }

  /** Index of what was last found for block `i`. */
  at(i: number): number {
    return i + this.#offset;
  }

  /** Whether the blocks behind `i` are those that followed what was found for it, to the end. */
  sameFrom(i: number, blocks: readonly Fillable[], shared: Shared | undefined): boolean {
    const n = blocks.length;
    if (this.#blocks.length - this.#offset !== n) return false;
    if (shared && i + 1 >= n - shared.foot) return true;
    for (let k = i + 1; k < n; k++) {
      const old = this.#blocks[k + this.#offset]!;
      if (old.source !== blocks[k]!.source || old.startIn !== blocks[k]!.startIn) return false;
    }
    return true;
  }
}

/** Takes a block over from an earlier filling, if it would come out the same. */
function takeOver(
  before: PlacedBlock,
  of: Fillable,
  start: Cursor,
  moved: boolean,
  old: readonly Column[],
  columns: readonly Column[],
): PlacedBlock | undefined {
  const { start: was } = before;
  if (before.moved !== moved || before.startIn !== of.startIn) return undefined;
  if (
    was.column !== start.column ||
    was.y !== start.y ||
    was.atTop !== start.atTop ||
    was.edge !== start.edge ||
    was.after !== start.after
  )
    return undefined;
  for (let c = start.column; c <= before.reached; c++) if (old[c] !== columns[c]) return undefined;
  return before;
}

function startedIn(columns: readonly Column[], cursor: Cursor, where: StartIn | undefined): Cursor {
  if (where === undefined || (cursor.atTop && where === 'column')) return cursor;
  const here = columns[cursor.column]!;
  const last = columns.length - 1;
  const fits = (column: Column) => where !== 'oddPage' || column.number % 2 === 1;
  const opens = cursor.column === 0 || !sameUnit(columns[cursor.column - 1]!, here, where);
  if (cursor.atTop && opens && fits(here)) return cursor;
  let c = cursor.column + 1;
  while (c < last && (sameUnit(here, columns[c]!, where) || !fits(columns[c]!))) c++;
  c = Math.min(c, last);
  return c === cursor.column ? cursor : topOf(columns, c);
}

const sameUnit = (a: Column, b: Column, unit: StartIn): boolean =>
  unit === 'frame' ? a.frame === b.frame : unit === 'column' ? false : a.page === b.page;

function nextColumn(columns: readonly Column[], cursor: Cursor): Cursor {
  if (cursor.atTop) return cursor;
  const column = Math.min(cursor.column + 1, columns.length - 1);
  return column === cursor.column ? cursor : topOf(columns, column);
}

/**
 * The first of the blocks, ending at `index`, that must go to a new column: a heading whose next paragraph has not
 * enough lines under it. Undefined when all is well, or when nothing would be won by moving.
 */
function headingToMove(
  done: readonly PlacedBlock[],
  blocks: readonly Fillable[],
  index: number,
  moved: ReadonlySet<number>,
  columns: readonly Column[],
): number | undefined {
  const above = done[index - 1];
  const keep = above?.prepared?.style.keepNext ?? 0;
  if (!above || keep === 0) return undefined;
  if (blocks[index]!.startIn !== undefined) return undefined;
  const column = above.end.column;
  if (columns[column]!.overset) return undefined;
  const own = done[index]!;
  const wanted = own.prepared ? Math.min(keep, own.lines.length) : 1;
  let here = 0;
  for (const line of own.lines) {
    if (line.column !== column || here >= wanted) break;
    here++;
  }
  if (here >= wanted) return undefined;
  let first = index - 1;
  while (
    first > 0 &&
    (done[first - 1]!.prepared?.style.keepNext ?? 0) > 0 &&
    done[first - 1]!.end.column === done[first]!.lines[0]?.column
  ) {
    first--;
  }
  if (moved.has(first) || (done[first]!.start.atTop && done[first]!.lines[0]?.column === done[first]!.start.column))
    return undefined;
  return first;
}
