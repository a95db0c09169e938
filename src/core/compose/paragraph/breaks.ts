/** How a line ends at a break of a prepared paragraph. */
export const PLAIN_BREAK = 0;
export const HYPHEN_BREAK = 1;
export const FORCED_BREAK = 2;
/** Taken only when nothing else is left. */
export const EMERGENCY_BREAK = 3;

/** Demerits of the kinds of break, as a penalty of Knuth and Plass. */
/** Of a hyphen at a line's end: plain TeX's \hyphenpenalty is 50. */
const HYPHEN_PENALTY = 50;
/**
 * Of a break where a word may not be parted at all. Greater than the badness of the loosest line there can be, less
 * than that of one that stands out: it is taken only when there is nothing else.
 */
const EMERGENCY_PENALTY = 1e9;
/** Of a hyphen in a last word that must be parted somewhere: rather that than a cut without one. */
export const LAST_WORD_PENALTY = 1e6;

export const penaltyOf = (flag: number): number =>
  flag === HYPHEN_BREAK ? HYPHEN_PENALTY : flag === PLAIN_BREAK ? 0 : EMERGENCY_PENALTY;

/**
 * Every place where a line of a paragraph may end.
 *
 * A line from break `a` to break `b` is `before[b] − after[a]` wide, can stretch by
 * `stretchBefore[b] − stretchAfter[a]`, and shrink alike. What vanishes at a break (a space), appears (a hyphen) or
 * hangs over the edge is thereby counted where it belongs. Break 0 is the beginning of the paragraph.
 */
export interface BreakArrays {
  readonly count: number;
  readonly before: Float64Array;
  readonly after: Float64Array;
  readonly stretchBefore: Float64Array;
  readonly stretchAfter: Float64Array;
  readonly shrinkBefore: Float64Array;
  readonly shrinkAfter: Float64Array;
  readonly penalty: Float64Array;
  /** How a line ends here: one of the constants above. */
  readonly flag: Uint8Array;
  /** The character after the line's last, and the first of the next line. */
  readonly end: Uint32Array;
  readonly next: Uint32Array;
}

/** The breaks of a paragraph while it is made ready: the same arrays are used again for each. */
export class Breaks {
  count = 0;
  before = new Float64Array(256);
  after = new Float64Array(256);
  stretchBefore = new Float64Array(256);
  stretchAfter = new Float64Array(256);
  shrinkBefore = new Float64Array(256);
  shrinkAfter = new Float64Array(256);
  penalty = new Float64Array(256);
  flag = new Uint8Array(256);
  end = new Uint32Array(256);
  next = new Uint32Array(256);

  add(
    before: number,
    after: number,
    stretchBefore: number,
    stretchAfter: number,
    shrinkBefore: number,
    shrinkAfter: number,
    penalty: number,
    flag: number,
    end: number,
    next: number,
  ): void {
    const i = this.count++;
    this.before[i] = before;
    this.after[i] = after;
    this.stretchBefore[i] = stretchBefore;
    this.stretchAfter[i] = stretchAfter;
    this.shrinkBefore[i] = shrinkBefore;
    this.shrinkAfter[i] = shrinkAfter;
    this.penalty[i] = penalty;
    this.flag[i] = flag;
    this.end[i] = end;
    this.next[i] = next;
  }

  /** Begins anew, with room for so many. */
  begin(most: number): void {
    this.count = 0;
    if (most <= this.before.length) return;
    const size = 2 * most;
    this.before = new Float64Array(size);
    this.after = new Float64Array(size);
    this.stretchBefore = new Float64Array(size);
    this.stretchAfter = new Float64Array(size);
    this.shrinkBefore = new Float64Array(size);
    this.shrinkAfter = new Float64Array(size);
    this.penalty = new Float64Array(size);
    this.flag = new Uint8Array(size);
    this.end = new Uint32Array(size);
    this.next = new Uint32Array(size);
  }

  /** Puts a break in the place of an earlier one. */
  move(from: number, to: number): void {
    if (from === to) return;
    const { before, after, stretchBefore, stretchAfter, shrinkBefore, shrinkAfter, penalty, flag, end, next } = this;
    for (const column of [before, after, stretchBefore, stretchAfter, shrinkBefore, shrinkAfter, penalty, flag, end, next])
      column[to] = column[from]!;
  }

  /** The breaks that were added, in arrays of their own. */
  taken(): BreakArrays {
    const n = this.count;
    return {
      count: n,
      before: this.before.slice(0, n),
      after: this.after.slice(0, n),
      stretchBefore: this.stretchBefore.slice(0, n),
      stretchAfter: this.stretchAfter.slice(0, n),
      shrinkBefore: this.shrinkBefore.slice(0, n),
      shrinkAfter: this.shrinkAfter.slice(0, n),
      penalty: this.penalty.slice(0, n),
      flag: this.flag.slice(0, n),
      end: this.end.slice(0, n),
      next: this.next.slice(0, n),
    };
  }
}
