import { type Column, freeIn } from './column';
import type { Prepared } from './prepared';

/** Where the next line may go: below what a column already holds. */
export interface Cursor {
  readonly column: number;
  /** The last baseline; or an edge that the next line hangs from: the column's top, the foot of a table or picture. */
  readonly y: number;
  /** The column is still empty: spacing vanishes here. */
  readonly atTop: boolean;
  /** `y` is an edge and no baseline. */
  readonly edge: boolean;
  /** Space that the paragraph before asked for below itself. */
  readonly after: number;
}

export interface Slot {
  readonly column: number;
  readonly row: number;
  readonly x: number;
  readonly width: number;
  readonly baseline: number;
}

/** What a paragraph asks of the line spaces beside their place. */
export interface SlotWishes {
  /** For a column: the baseline from which on it is closed to this paragraph. */
  readonly cuts: ReadonlyMap<number, number>;
  /** For a row: points more above it, for a tall picture in the line. */
  readonly lifts: ReadonlyMap<number, number>;
}

export const NO_WISHES: SlotWishes = { cuts: new Map(), lifts: new Map() };

/** Narrower stretches beside a picture take no line; ems of the style's size. */
const LEAST_EMS = 5;

const HAIR = 0.01;

/** Rows looked at in one paragraph before its slots are called endless: more than any issue has lines. */
const MOST_ROWS = 2_000_000;

/**
 * The spaces for lines that a thread's columns offer one paragraph, found one after another as they are asked for.
 */
export class Slots {
  readonly #columns: readonly Column[];
  readonly #of: Prepared;
  readonly #wishes: SlotWishes;
  readonly #found: Slot[] = [];
  #column: number;
  #y: number;
  #atTop: boolean;
  #edge: boolean;
  #first = true;
  /** `y` is a baseline at which nothing was free; the next is tried a little below it. */
  #passing = false;
  readonly #after: number;
  #rows = 0;
  /** Right edge of a drop cap, once its first row is found. */
  #capTo = -Infinity;
  #capColumn = -1;

  constructor(columns: readonly Column[], cursor: Cursor, of: Prepared, wishes: SlotWishes = NO_WISHES) {
    this.#columns = columns;
    this.#of = of;
    this.#wishes = wishes;
    this.#column = cursor.column;
    this.#y = cursor.y;
    this.#atTop = cursor.atTop;
    this.#edge = cursor.edge;
    this.#after = cursor.after;
  }

  /** Slot number `index`. The last column of a thread has no end, so there always is one. */
  at(index: number): Slot {
    while (this.#found.length <= index) this.#nextRow();
    return this.#found[index]!;
  }

  #nextRow(): void {
    const { style, ascent, descent, cap } = this.#of;
    for (;;) {
      const column = this.#columns[this.#column]!;
      const baseline = this.#nextBaseline(column);
      const closed = this.#wishes.cuts.get(this.#column);
      const ends = baseline > column.box.y + column.box.h + HAIR && !column.endless;
      const isLast = this.#column === this.#columns.length - 1;
      if ((ends || (closed !== undefined && baseline > closed - HAIR)) && !isLast) {
        this.#column++;
        this.#y = this.#columns[this.#column]!.box.y;
        this.#atTop = true;
        this.#edge = true;
        this.#passing = false;
        continue;
      }
      const wasEdge = this.#edge;
      const wasPassing = this.#passing;
      const wasTop = this.#atTop;
      this.#y = baseline;
      this.#atTop = false;
      this.#edge = false;
      this.#passing = false;
      if (column.exclusions.length === 0 && cap === undefined) {
        const width = Math.max(column.box.w, 0);
        this.#found.push({ column: this.#column, row: this.#rows++, x: column.box.x, width, baseline });
        this.#first = false;
        return;
      }
      const free = freeIn(column, baseline - ascent, baseline + descent, LEAST_EMS * style.size);
      if (cap) this.#besideCap(free);
      if (this.#rows > MOST_ROWS || (free.length === 0 && column.endless && column.exclusions.length === 0)) {
        // A column without width: the line is set all the same, and stands out.
        const width = Math.max(column.box.w, 0);
        this.#found.push({ column: this.#column, row: this.#rows++, x: column.box.x, width, baseline });
        this.#first = false;
        return;
      }
      if (free.length === 0) {
        // Still the top of the column as far as spacing goes: a picture may fill its head.
        this.#atTop = wasTop;
        this.#edge = wasEdge;
        this.#passing = wasEdge || wasPassing;
        continue;
      }
      this.#first = false;
      for (let i = 0; i < free.length; i += 2) {
        this.#found.push({ column: this.#column, row: this.#rows, x: free[i]!, width: free[i + 1]! - free[i]!, baseline });
      }
      this.#rows++;
      return;
    }
  }

  /** Keeps the first rows clear of the drop cap at their left. */
  #besideCap(free: number[]): void {
    const cap = this.#of.cap!;
    if (free.length === 0 || this.#rows >= cap.of.lines) return;
    if (this.#rows === 0) {
      this.#capTo = free[0]! + cap.width;
      this.#capColumn = this.#column;
    }
    if (this.#column !== this.#capColumn) return;
    while (free.length > 2 && free[1]! <= this.#capTo) free.splice(0, 2);
    free[0] = Math.max(free[0]!, this.#capTo);
    if (free[1]! <= free[0]) free[1] = free[0] + 0.01;
  }

  #nextBaseline(column: Column): number {
    const { style, ascent, capHeight } = this.#of;
    const before = this.#first && !this.#atTop ? Math.max(this.#after, style.spaceBefore) : 0;
    const lift = this.#wishes.lifts.get(this.#rows) ?? 0;
    let y: number;
    if (this.#passing) y = this.#y + Math.max(1, style.leading / 4);
    else if (!this.#edge) y = this.#y + style.leading + before;
    else if (!this.#atTop || column.first === 'ascent') y = this.#y + ascent + before;
    else if (column.first === 'capHeight') y = this.#y + capHeight;
    else if (column.first === 'leading') y = this.#y + style.leading;
    else y = this.#y + column.first;
    y += lift;
    if (!style.onGrid || !column.grid || (this.#atTop && typeof column.first === 'number')) return y;
    const { origin, step } = column.grid;
    return origin + Math.ceil((y - origin) / step - 1e-6) * step;
  }
}
