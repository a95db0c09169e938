import type { Column } from '../frames/column';

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

export const START: Cursor = { column: 0, y: 0, atTop: true, edge: true, after: 0 };

export const topOf = (columns: readonly Column[], column: number): Cursor => ({ ...START, column, y: columns[column]!.box.y });
