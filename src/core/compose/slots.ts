import type { ParagraphProperties } from '../records/paragraphStyle';
import { type Column, freeIn } from './column';

/** Where the next line may go: below what a column already holds. */
export interface Cursor {
  readonly column: number;
  /** The last baseline, or the column's top while it is empty. */
  readonly y: number;
  readonly atTop: boolean;
  /** Space that the paragraph before asked for below itself. */
  readonly after: number;
}

export interface Slot {
  readonly column: number;
  readonly x: number;
  readonly width: number;
  readonly baseline: number;
}

/** Narrower stretches beside a picture take no line; ems of the style's size. */
const LEAST_EMS = 5;

const HAIR = 0.01;

/** Rows looked at in one paragraph before its slots are called endless: more than any issue has lines. */
const MOST_ROWS = 2_000_000;

/**
 * The spaces for lines that a thread's columns offer one paragraph, found one after another as they are asked
 * for. `cut` takes the rest of a column away from the paragraph, so that its lines go on in the next.
 */
export class Slots {
  readonly #columns: readonly Column[];
  readonly #style: ParagraphProperties;
  readonly #ascent: number;
  readonly #descent: number;
  readonly #found: Slot[] = [];
  readonly #cuts: ReadonlyMap<number, number>;
  #column: number;
  #y: number;
  #atTop: boolean;
  #first = true;
  readonly #after: number;
  #rows = 0;

  /** @param cuts for a column: the baseline from which on it is closed to this paragraph */
  constructor(
    columns: readonly Column[],
    cursor: Cursor,
    style: ParagraphProperties,
    ascent: number,
    descent: number,
    cuts: ReadonlyMap<number, number>,
  ) {
    this.#columns = columns;
    this.#style = style;
    this.#ascent = ascent;
    this.#descent = descent;
    this.#column = cursor.column;
    this.#y = cursor.y;
    this.#atTop = cursor.atTop;
    this.#after = cursor.after;
    this.#cuts = cuts;
  }

  /** Slot number `index`. The last column of a thread has no end, so there always is one. */
  at(index: number): Slot {
    while (this.#found.length <= index) this.#nextRow();
    return this.#found[index]!;
  }

  /** Whether, as far as anyone can tell without looking, every slot is as wide as the next. */
  get uniform(): boolean {
    const width = this.#columns[this.#column]!.box.w;
    for (let c = this.#column; c < this.#columns.length; c++) {
      const column = this.#columns[c]!;
      if (column.exclusions.length > 0 || Math.abs(column.box.w - width) > HAIR) return false;
    }
    return true;
  }

  #nextRow(): void {
    const style = this.#style;
    for (;;) {
      const column = this.#columns[this.#column]!;
      const baseline = this.#nextBaseline(column);
      const closed = this.#cuts.get(this.#column);
      const ends = baseline > column.box.y + column.box.h + HAIR && !column.endless;
      const isLast = this.#column === this.#columns.length - 1;
      if ((ends || (closed !== undefined && baseline > closed - HAIR)) && !isLast) {
        this.#column++;
        this.#y = this.#columns[this.#column]!.box.y;
        this.#atTop = true;
        continue;
      }
      this.#y = baseline;
      const wasTop = this.#atTop;
      this.#atTop = false;
      const free = freeIn(column, baseline - this.#ascent, baseline + this.#descent, LEAST_EMS * style.size);
      if (++this.#rows > MOST_ROWS || (free.length === 0 && column.endless && column.exclusions.length === 0)) {
        // A column without width: the line is set all the same, and stands out.
        this.#found.push({ column: this.#column, x: column.box.x, width: Math.max(column.box.w, 0), baseline });
        this.#first = false;
        return;
      }
      if (free.length === 0) {
        // Still the top of the column as far as spacing goes: a picture may fill its head.
        this.#atTop = wasTop;
        if (wasTop) this.#y = baseline - this.#ascent + style.leading;
        continue;
      }
      this.#first = false;
      for (let i = 0; i < free.length; i += 2) {
        this.#found.push({ column: this.#column, x: free[i]!, width: free[i + 1]! - free[i]!, baseline });
      }
      return;
    }
  }

  #nextBaseline(column: Column): number {
    const style = this.#style;
    let y: number;
    if (this.#atTop) y = this.#y + this.#ascent;
    else y = this.#y + style.leading + (this.#first ? Math.max(this.#after, style.spaceBefore) : 0);
    if (!style.onGrid) return y;
    const { origin, step } = column.grid;
    return origin + Math.ceil((y - origin) / step - 1e-6) * step;
  }
}
