/** The spaces a paragraph's lines are offered, one after another. */
export interface Measure {
  /** Width in points of the space for line `line`, counted from 0. Any line may be asked for, in any order. */
  widthOf(line: number): number;
  /** True when every line from the second on has the same width: then lines need not be told apart. */
  readonly uniform: boolean;
}

/** A paragraph broken into lines. */
export interface Broken {
  /** Indexes into the prepared paragraph's breaks: line i runs from `breaks[i]` to `breaks[i + 1]`. */
  readonly breaks: readonly number[];
  /** Sum of the demerits of all lines, by Knuth and Plass; NaN for first fit, which weighs nothing. */
  readonly demerits: number;
  /** Lines that had to be set beyond the limits for want of anything better. */
  readonly forced: number;
  /** Lines weighed to find these, all attempts together. */
  readonly steps: number;
}
