import type { StartIn } from '../../records/paragraphStyle';
import type { Column } from '../frames/column';
import type { Cursor } from './cursor';
import type { Line } from '../displayList/displayList';
import type { Prepared } from '../paragraph/prepared';

/** A line and the column it stands in. */
export interface PlacedLine {
  readonly column: number;
  /** The breaks it runs between, and the space it was given. */
  readonly a: number;
  readonly b: number;
  readonly x: number;
  readonly width: number;
  /** At which of its ends something is kept away from, as `LineSpace` says it; 0 for what is no line of words. */
  readonly edges?: number;
  /** Which of its block's paragraphs it belongs to; −1 for a table's own rules and tints. */
  readonly leaf: number;
  readonly line: Line;
}

/** One block in its columns, with what is needed to know whether it would come out the same again. */
export interface PlacedBlock {
  /** What it was made from: a prepared paragraph, a table, a figure. */
  readonly source: object;
  /** Paragraphs in it. */
  readonly leaves: number;
  readonly start: Cursor;
  readonly startIn: StartIn | undefined;
  /** It was sent to a new column, because it or what follows would not stand well where it began. */
  readonly moved: boolean;
  readonly lines: readonly PlacedLine[];
  readonly end: Cursor;
  /** The last column that was looked at to place it, where it did not come to lie in the end included. */
  readonly reached: number;
  readonly warnings: readonly Warning[];
  /** For a paragraph: as it was prepared, its lead-in included. */
  readonly prepared: Prepared | undefined;
}

/**
 * A wish of a style that gave way to another, so that no text was lost; or what could not be shown as it should.
 * `search`: not all ways to break the paragraph were weighed, there were too many.
 */
export type Warning = 'keep' | 'widow' | 'hyphen' | 'overfull' | 'missing' | 'search';

export interface Filled {
  readonly columns: readonly Column[];
  readonly blocks: readonly PlacedBlock[];
}
