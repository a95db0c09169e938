/** The spaces a paragraph's lines are offered, one after another. */
export interface Measure {
  /** Width in points of the space for line `line`, counted from 0. Any line may be asked for, in any order. */
  widthOf(line: number): number;
  /** The line from which on all have the same width, so that they need not be told apart; Infinity where none does. */
  readonly uniformFrom: number;
}

/** A paragraph broken into lines. */
export interface Broken {
  /** Indexes into the prepared paragraph's breaks: line i runs from `breaks[i]` to `breaks[i + 1]`. */
  readonly breaks: readonly number[];
  /** Sum of the demerits of all lines, by Knuth and Plass; NaN for first fit, which weighs nothing. */
  readonly demerits: number;
  /** Lines that had to be set beyond the limits for want of anything better. */
  readonly forced: number;
  /** Not all ways were weighed: there were too many, and those that looked worst half-way were let go. */
  readonly narrowed: boolean;
  /** Lines weighed to find these, all attempts together. */
  readonly steps: number;
}
