import { type Column, freeIn } from '../frames/column';
import type { Cursor } from './cursor';
import type { Prepared } from '../paragraph/prepared';

/** A space for one line. Points. */
export interface LineSpace {
  readonly column: number;
  readonly row: number;
  readonly x: number;
  readonly width: number;
  readonly baseline: number;
  /** At which of its ends something is kept away from: 1 the left, 2 the right. */
  readonly edges: number;
}

/** What a paragraph asks of the line spaces beside their place. */
export interface SpaceWishes {
  /** For a column: the baseline from which on it is closed to this paragraph. */
  readonly cuts: ReadonlyMap<number, number>;
  /** For a row: points more above it, for a tall picture in the line. */
  readonly lifts: ReadonlyMap<number, number>;
  /** For a row: how far what stands in it reaches above and below its baseline, where that is more than the style's own. */
  readonly bands: ReadonlyMap<number, { readonly rise: number; readonly fall: number }>;
}

export const NO_WISHES: SpaceWishes = { cuts: new Map(), lifts: new Map(), bands: new Map() };

/** Narrower stretches beside a picture take no line; ems of the style's size. */
const LEAST_EMS = 5;

const HAIR = 0.01;

/** Heights tried for one row before it is set in spite of what stands there: more than a page has points. */
const MOST_PASSES = 30_000;

/**
 * The spaces for lines that a thread's columns offer one paragraph, found one after another as they are asked for.
 */
export class LineSpaces {
  readonly #columns: readonly Column[];
  readonly #of: Prepared;
  readonly #wishes: SpaceWishes;
  readonly #found: LineSpace[] = [];
  #column: number;
  #y: number;
  #atTop: boolean;
  #edge: boolean;
  #first = true;
  /** `y` is a baseline at which nothing was free; the next is tried a little below it. */
  #passing = false;
  readonly #after: number;
  #rows = 0;
  #passes = 0;
  /** Where text begins beside a drop cap, once its first row is found: its right edge, or its left from right to left. */
  #capTo = 0;
  #capColumn = -1;

  constructor(columns: readonly Column[], cursor: Cursor, of: Prepared, wishes: SpaceWishes = NO_WISHES) {
    this.#columns = columns;
    this.#of = of;
    this.#wishes = wishes;
    this.#column = cursor.column;
    this.#y = cursor.y;
    this.#atTop = cursor.atTop;
    this.#edge = cursor.edge;
    this.#after = cursor.after;
  }

  /** The last column that was looked at. */
  get reached(): number {
    return this.#column;
  }

  /** Space number `index`. The last column of a thread has no end, so there always is one. */
  at(index: number): LineSpace {
    while (this.#found.length <= index) this.#nextRow();
    return this.#found[index]!;
  }

  #nextRow(): void {
    const { style, ascent, descent, cap } = this.#of;
    for (;;) {
      const column = this.#columns[this.#column]!;
      const baseline = this.#nextBaseline(column);
      const closed = this.#wishes.cuts.get(this.#column);
      // A drop cap stands in its column to its last line.
      const hung = cap && this.#rows === 0 ? (cap.of.lines - 1) * style.leading : 0;
      const ends = baseline + hung > column.box.y + column.box.h + HAIR && !column.endless;
      const isLast = this.#column === this.#columns.length - 1;
      if ((ends || (closed !== undefined && baseline > closed - HAIR)) && !isLast) {
        this.#column++;
        this.#y = this.#columns[this.#column]!.box.y;
        this.#atTop = true;
        this.#edge = true;
        this.#passing = false;
        this.#passes = 0;
        continue;
      }
      const wasEdge = this.#edge;
      const wasPassing = this.#passing;
      const wasTop = this.#atTop;
      this.#y = baseline;
      this.#atTop = false;
      this.#edge = false;
      this.#passing = false;
      const { box } = column;
      // An endless column without width, or one that is taken to its end: the line is set all the same, and stands out.
      const whole = [box.x, box.x + Math.max(box.w, 0)];
      const isOpen =
        (column.exclusions.length === 0 && cap === undefined) ||
        (column.endless && (box.w <= HAIR || this.#passes > MOST_PASSES));
      const band = this.#wishes.bands.get(this.#rows);
      const top = baseline - Math.max(ascent, band?.rise ?? 0);
      const foot = baseline + Math.max(descent, band?.fall ?? 0);
      let free = isOpen ? whole : freeIn(column, top, foot, LEAST_EMS * style.size);
      if (cap && !isOpen) free = this.#besideCap(free, column, baseline);
      if (free.length === 0) {
        // Still the top of the column as far as spacing goes: a picture may fill its head.
        this.#atTop = wasTop;
        this.#edge = wasEdge;
        this.#passing = wasEdge || wasPassing;
        this.#passes++;
        continue;
      }
      this.#first = false;
      this.#passes = 0;
      for (let i = 0; i < free.length; i += 2) {
        const [x, end] = [free[i]!, free[i + 1]!];
        const edges = isOpen ? 0 : (x > box.x + HAIR ? 1 : 0) | (end < box.x + box.w - HAIR ? 2 : 0);
        this.#found.push({ column: this.#column, row: this.#rows, x, width: end - x, baseline, edges });
      }
      this.#rows++;
      return;
    }
  }

  /**
   * The first line from which on all lines are as wide as their column, all columns alike and nothing to be kept away
   * from in any: from there lines need not be told apart. Looks at so many lines; Infinity where none of them is.
   */
  uniformFrom(most: number): number {
    const last = this.#columns[this.#columns.length - 1]!;
    let from = this.#columns.length - 1;
    while (
      from > 0 &&
      this.#columns[from - 1]!.exclusions.length === 0 &&
      Math.abs(this.#columns[from - 1]!.box.w - last.box.w) < HAIR
    )
      from--;
    if (last.exclusions.length > 0) from = this.#columns.length;
    // In the column before, what is kept away from may lie above.
    const before = this.#columns[from - 1];
    const alike = before && Math.abs(before.box.w - last.box.w) < HAIR;
    const below = alike ? Math.max(...before.exclusions.map(({ reach }) => reach.y + reach.h)) : Infinity;
    const capRows = this.#of.cap?.of.lines ?? 0;
    for (let i = 0; i < most; i++) {
      const space = this.at(i);
      if (space.row < capRows) continue;
      const top = space.baseline - Math.max(this.#of.ascent, this.#of.rise);
      if (space.column >= from || (space.column === from - 1 && top > below)) return i;
    }
    return Infinity;
  }

  /** Keeps the first rows clear of the drop cap at their beginning, and the cap of what stands in its way. */
  #besideCap(free: number[], column: Column, baseline: number): number[] {
    const { cap, style, levels } = this.#of;
    if (free.length === 0 || this.#rows >= cap!.of.lines) return free;
    const backwards = levels?.rightToLeft === true;
    const { box } = column;
    const least = Math.min(LEAST_EMS * style.size, box.w / 2);
    if (this.#rows === 0) {
      const drop = (cap!.of.lines - 1) * style.leading;
      const own = freeIn(column, baseline + drop - cap!.rise, baseline + drop + cap!.fall, cap!.width);
      const capTo = placeForCap(own, free, cap!.width, least, backwards);
      // In a column that is free from side to side a cap stands, however wide it is.
      const isWhole = own.length === 2 && own[1]! - own[0]! > box.w - HAIR && free[1]! - free[0]! > box.w - HAIR;
      if (capTo === undefined && !isWhole) return [];
      this.#capTo =
        capTo ?? (backwards ? Math.max(own[1]! - cap!.width, box.x + 0.01) : Math.min(own[0]! + cap!.width, own[1]! - 0.01));
      this.#capColumn = this.#column;
      if (capTo === undefined) return backwards ? [own[0]!, this.#capTo] : [this.#capTo, own[1]!];
    }
    if (this.#column !== this.#capColumn) return free;
    const out: number[] = [];
    for (let i = 0; i < free.length; i += 2) {
      const x = backwards ? free[i]! : Math.max(free[i]!, this.#capTo);
      const end = backwards ? Math.min(free[i + 1]!, this.#capTo) : free[i + 1]!;
      if (end - x >= least) out.push(x, end);
    }
    return out;
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

/**
 * Where text begins beside a drop cap: in the first stretch that holds the cap to its foot and still has room for words
 * beside it in its first row. Undefined where none does.
 *
 * @param own what is free over the cap's height, and @param free over its first row's
 */
function placeForCap(
  own: readonly number[],
  free: readonly number[],
  width: number,
  least: number,
  backwards: boolean,
): number | undefined {
  for (let k = 0; k < own.length; k += 2) {
    const i = backwards ? own.length - 2 - k : k;
    const capTo = backwards ? own[i + 1]! - width : own[i]! + width;
    if (own[i + 1]! - own[i]! < width - HAIR) continue;
    for (let j = 0; j < free.length; j += 2) {
      const holds = free[j]! <= own[i]! + HAIR && free[j + 1]! >= own[i + 1]! - HAIR;
      if (holds && (backwards ? capTo - free[j]! : free[j + 1]! - capTo) >= least) return capTo;
    }
  }
  return undefined;
}
