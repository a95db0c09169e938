import type { ParagraphProperties } from '../records/paragraphStyle';
import type { Shaped } from '../type/shaper';
import type { Ink } from './displayList';

/** A stretch of a paragraph in one face, size and colour. */
export interface StyleRun {
  readonly from: number;
  readonly to: number;
  readonly face: string;
  readonly features: string;
  readonly size: number;
  /** Points a font unit is worth in this run. */
  readonly scale: number;
  /** What a font unit of this run is in the paragraph's units. */
  readonly factor: number;
  /** Font units added after each glyph. */
  readonly tracking: number;
  readonly rise: number;
  readonly ink: Ink;
}

/** A word, or what of it lies in one style run. */
export interface Piece {
  readonly from: number;
  readonly to: number;
  readonly run: number;
  readonly shaped: Shaped;
  /** In the paragraph's units, with tracking. */
  readonly width: number;
}

/**
 * A paragraph made ready for breaking: its pieces shaped, and every place where a line may end.
 *
 * Widths are in the paragraph's own units: font units of its main face and size, so that sums of advances stay
 * whole numbers; `scale` turns them into points.
 *
 * A line from break `a` to break `b` is `before[b] − after[a]` wide, can stretch by
 * `stretchBefore[b] − stretchAfter[a]`, and shrink alike. What vanishes at a break (a space) or appears (a hyphen)
 * is thereby counted where it belongs. Break 0 is the beginning of the paragraph.
 */
export interface Prepared {
  readonly text: string;
  readonly style: ParagraphProperties;
  readonly runs: readonly StyleRun[];
  readonly pieces: readonly Piece[];
  /** Position in the body, from the paragraph's start, of each character; undefined where they are the same. */
  readonly positions: Uint32Array | undefined;
  readonly language: string;
  readonly scale: number;
  /** Width of a space of the main face, in units. */
  readonly space: number;
  readonly count: number;
  readonly before: Float64Array;
  readonly after: Float64Array;
  readonly stretchBefore: Float64Array;
  readonly stretchAfter: Float64Array;
  readonly shrinkBefore: Float64Array;
  readonly shrinkAfter: Float64Array;
  readonly penalty: Float64Array;
  /** 1 where a hyphen appears, 2 where the line must end. */
  readonly flag: Uint8Array;
  /** The character after the line's last, and the first of the next line. */
  readonly end: Uint32Array;
  readonly next: Uint32Array;
  /** Of the main face at its size, points; both positive. */
  readonly ascent: number;
  readonly descent: number;
  readonly marker: { readonly text: string; readonly shaped: Shaped; readonly width: number } | undefined;
  /** Points the lines stand in from the column's left: the style's indent, and a list's. */
  readonly indent: number;
  readonly firstIndent: number;
  readonly missing: number;
}

export const HYPHEN_BREAK = 1;
export const FORCED_BREAK = 2;
