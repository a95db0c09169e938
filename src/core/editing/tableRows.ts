import type { Node } from 'prosemirror-model';
import { type EditorState, TextSelection, type Transaction } from 'prosemirror-state';
import { bodySchema } from '../records/bodySchema';
import type { TableAttrs } from '../records/text';
import { MOST_COLUMNS, MOST_ROWS, tableAt, takesSeveral } from './tables';
import type { TextCommand } from './typing';

/** A cell that the selection is in. */
interface CellAt {
  readonly table: Node;
  /** Where the table begins. */
  readonly at: number;
  readonly row: number;
  readonly column: number;
}

function cellAt(state: EditorState): CellAt | undefined {
  const found = tableAt(state);
  if (!found) return undefined;
  const { $from } = state.selection;
  for (let depth = $from.depth; depth > 1; depth--)
    if ($from.node(depth).type.name === 'row')
      return { table: found.node, at: found.at, row: $from.index(depth - 1), column: $from.index(depth) };
  return undefined;
}

/** What can be done to the rows and columns of a table in which the caret is. */
export type RowChange = 'rowAbove' | 'rowBelow' | 'columnLeft' | 'columnRight' | 'noRow' | 'noColumn';

/**
 * Why rows and columns are not changed here; undefined where they can be. Cells that take several of them stand in the way: what
 * would become of them is not said by where the caret is.
 */
export function rowTrouble(state: EditorState, change: RowChange): string | undefined {
  const now = cellAt(state);
  if (!now) return 'The caret is in no table.';
  const { table } = now;
  if (table.children.some((row) => row.children.some(takesSeveral)))
    return 'Cells of this table take several rows or columns. Rows and columns are not changed here then.';
  const columns = columnsOf(table);
  if (change.startsWith('row') && table.childCount >= MOST_ROWS) return `A table has ${MOST_ROWS} rows at most.`;
  if (change.startsWith('column') && columns >= MOST_COLUMNS) return `A table has ${MOST_COLUMNS} columns at most.`;
  if (change === 'noRow' && table.childCount === 1) return 'It is the only row. Remove the whole table instead.';
  if (change === 'noColumn' && columns === 1) return 'It is the only column. Remove the whole table instead.';
  return undefined;
}

const columnsOf = (table: Node): number => Math.max(1, ...table.children.map((row) => row.childCount));

/** Adds or removes a row or column where the caret is; new cells are like those beside them, without words. */
export const changeRows =
  (change: RowChange): TextCommand =>
  (state) => {
    const now = cellAt(state);
    if (!now || rowTrouble(state, change)) return undefined;
    const { table, row, column } = now;
    const rows = [...table.children];
    const attrs = table.attrs as TableAttrs;
    switch (change) {
      case 'rowAbove':
        return replaced(
          state,
          now,
          rows.toSpliced(row, 0, emptied(rows[row]!)),
          {
            ...attrs,
            headerRows: attrs.headerRows + (row < attrs.headerRows ? 1 : 0),
          },
          row,
          column,
        );
      case 'rowBelow': {
        // Under a head comes a row of figures, like the one that is there.
        const like = row < attrs.headerRows ? (rows[attrs.headerRows] ?? rows[row]!) : rows[row]!;
        const at = row < attrs.headerRows ? attrs.headerRows : row + 1;
        return replaced(state, now, rows.toSpliced(at, 0, emptied(like)), attrs, at, column);
      }
      case 'noRow': {
        const headerRows = attrs.headerRows - (row < attrs.headerRows ? 1 : 0);
        return replaced(state, now, rows.toSpliced(row, 1), { ...attrs, headerRows }, Math.min(row, rows.length - 2), column);
      }
      case 'columnLeft':
      case 'columnRight': {
        const to = column + (change === 'columnRight' ? 1 : 0);
        const wider = rows.map((each) => {
          const cells = [...each.children];
          const like = cells[Math.min(column, cells.length - 1)];
          return like ? withCells(each, cells.toSpliced(to, 0, emptyCell(like))) : each;
        });
        const columns = attrs.columns.toSpliced(to, 0, attrs.columns[column] ?? { share: 1 });
        return replaced(state, now, wider, { ...attrs, columns }, row, to);
      }
      case 'noColumn': {
        const narrower = rows.map((each) => withCells(each, [...each.children].toSpliced(column, 1)));
        const columns = attrs.columns.toSpliced(column, 1);
        return replaced(state, now, narrower, { ...attrs, columns }, row, Math.min(column, columns.length - 1));
      }
    }
  };

const withCells = (row: Node, cells: readonly Node[]): Node => bodySchema.node('row', row.attrs, cells);

/** A row like another, without its words, and without the tint of a total. */
const emptied = (row: Node): Node => withCells(row, row.children.map(emptyCell));

function emptyCell(cell: Node): Node {
  const { fill: _, ...attrs } = cell.attrs;
  const paragraph = cell.firstChild!;
  return bodySchema.node('cell', attrs, [bodySchema.node('paragraph', paragraph.attrs)]);
}

/** The table with other rows, and the caret in a cell of it. */
function replaced(
  state: EditorState,
  { table, at }: CellAt,
  rows: readonly Node[],
  attrs: object,
  row: number,
  column: number,
): Transaction {
  const tr = state.tr.replaceWith(at, at + table.nodeSize, bodySchema.node('table', attrs, rows));
  return withCaretIn(tr, at, row, column);
}

/** Puts the caret at the end of what is in a cell. */
function withCaretIn(tr: Transaction, at: number, row: number, column: number): Transaction {
  const table = tr.doc.nodeAt(at)!;
  let pos = at + 1;
  for (let r = 0; r < row; r++) pos += table.child(r).nodeSize;
  const cells = table.child(row);
  const c = Math.min(column, cells.childCount - 1);
  pos += 1;
  for (let k = 0; k < c; k++) pos += cells.child(k).nodeSize;
  const end = pos + (cells.childCount > 0 ? cells.child(c).nodeSize - 1 : 0);
  return tr.setSelection(TextSelection.near(tr.doc.resolve(end), -1));
}

/** Goes to the next cell of a table, or the one before; behind the last one it adds a row. Undefined outside of tables. */
export const nextCell =
  (by: 1 | -1): TextCommand =>
  (state) => {
    const now = cellAt(state);
    if (!now) return undefined;
    const { table, at } = now;
    let { row, column } = now;
    column += by;
    if (column < 0) column = table.child(--row < 0 ? 0 : row).childCount - 1;
    else if (column >= table.child(row).childCount) {
      column = 0;
      row++;
    }
    if (row < 0) return state.tr;
    if (row < table.childCount) return withCaretIn(state.tr, at, row, column);
    const more = changeRows('rowBelow')(state);
    return more && withCaretIn(more, at, row, 0);
  };
