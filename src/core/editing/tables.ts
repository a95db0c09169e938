import type { Node } from 'prosemirror-model';
import { type EditorState, TextSelection } from 'prosemirror-state';
import { markOf, paragraphOf, plainText, textOf } from '../records/body';
import { bodySchema } from '../records/bodySchema';
import type { TableAttrs } from '../records/text';
import type { TextCommand } from './typing';

/** How the cells of a column stand. */
export const COLUMN_ALIGNS = ['left', 'centre', 'right', 'decimal'] as const;
export type ColumnAlign = (typeof COLUMN_ALIGNS)[number];

/** What a table looks like: rules between rows, tinted bands, a frame around, or a rule under the head alone. */
export const TABLE_LOOKS = ['ruled', 'banded', 'framed', 'open'] as const;
export type TableLook = (typeof TABLE_LOOKS)[number];

/** A table as it is edited: words in cells, and what is said of rows and columns. */
export interface CellGrid {
  readonly cells: readonly (readonly string[])[];
  readonly headerRows: number;
  /** The last row is a sum of those above it. */
  readonly hasTotal: boolean;
  readonly aligns: readonly ColumnAlign[];
  readonly look: TableLook;
}

/** What of a house tables are made with: two colours, and the styles of their words and of those in their heads. */
export interface TableDress {
  readonly ink: string;
  readonly tint: string;
  readonly style: string;
  readonly headStyle: string | undefined;
  /** The style of its words is one of running text: in cells it has no indent, and hyphenates nothing. */
  readonly isRunning: boolean;
}

/** Rows and columns that a dialog can hold; larger tables come in with files. */
export const MOST_ROWS = 200;
export const MOST_COLUMNS = 24;

/** Points within the cells of a table, above and below its lines, and to their sides. */
const INSET = { top: 2, right: 4, bottom: 2, left: 4 };

const FIGURE_SPACE = '\u2007';
const POINT_SPACE = '\u2008';

/** What a figure has behind its decimal point: nothing where there is no point, or no figure. */
const decimals = (words: string): number | undefined => {
  const figure = /^[^\d]*\d[\d\s,’']*(?:\.(\d+))?[^\d.]*$/.exec(words.trim());
  return figure ? (figure[1]?.length ?? -1) : undefined;
};

/**
 * Figures so that their points stand under one another when they end at one edge: what a figure lacks behind its point, spaces as
 * wide as figures stand for (U+2007 and, for the point, U+2008).
 */
export function underOneAnother(column: readonly string[]): string[] {
  const most = Math.max(-1, ...column.map((words) => decimals(words) ?? -1));
  if (most < 0) return [...column];
  return column.map((words) => {
    const own = decimals(words);
    if (own === undefined) return words;
    return own < 0 ? words + POINT_SPACE + FIGURE_SPACE.repeat(most) : words + FIGURE_SPACE.repeat(most - own);
  });
}

const bare = (words: string): string => words.replace(/[\u2007\u2008]+$/u, '');

/** The node of a table. @param before the table that it was, whose cells stay as they are where their words do */
export function tableNode(grid: CellGrid, dress: TableDress, before?: Node): Node {
  const { cells, headerRows, hasTotal, aligns, look } = grid;
  const width = Math.max(1, ...cells.map((row) => row.length));
  const shown = cells.map((row) => Array.from({ length: width }, (_, i) => row[i] ?? ''));
  aligns.forEach((align, column) => {
    if (align !== 'decimal') return;
    const body = underOneAnother(shown.slice(headerRows).map((row) => row[column] ?? ''));
    body.forEach((words, i) => (shown[headerRows + i]![column] = words));
  });
  const kept = before && sameShape(before, shown) ? before : undefined;
  const rows = shown.map((row, r) => {
    const isHead = r < headerRows;
    const isTotal = hasTotal && r === shown.length - 1 && !isHead;
    return bodySchema.node(
      'row',
      null,
      row.map((words, c) => {
        const old = kept?.child(r).child(c);
        const align = aligns[c] ?? 'left';
        const still = dress.isRunning ? { firstIndent: 0, hyphens: false, align: 'left' as const } : undefined;
        const local =
          align === 'left' ? still : { ...still, align: align === 'centre' ? ('centre' as const) : ('right' as const) };
        const attrs = isTotal ? { fill: { swatch: dress.tint, tint: 0.6 } } : {};
        // Words that are as they were keep what is formatted in them.
        if (old?.childCount === 1 && plainText(old.firstChild!) === words)
          return bodySchema.node('cell', attrs, [
            paragraphOf({ ...withoutLocal(old.firstChild!), ...(local ? { local } : {}) }, old.firstChild!.content),
          ]);
        const style = isHead ? (dress.headStyle ?? dress.style) : dress.style;
        const marks = (isHead && !dress.headStyle) || isTotal ? [markOf('strong')] : [];
        return bodySchema.node('cell', attrs, [
          paragraphOf({ style, ...(local ? { local } : {}) }, words === '' ? [] : [textOf(words, marks)]),
        ]);
      }),
    );
  });
  const columns = (before?.attrs as TableAttrs | undefined)?.columns;
  const attrs: TableAttrs = {
    columns: columns?.length === width ? columns : Array.from({ length: width }, () => ({ share: 1 })),
    headerRows,
    inset: INSET,
    ...LOOKS[look](dress),
  };
  return bodySchema.node('table', attrs, rows);
}

const withoutLocal = (paragraph: Node) => {
  const { local: _, ...attrs } = paragraph.attrs as Parameters<typeof paragraphOf>[0] & { local?: unknown };
  return attrs;
};

/** Without cells that take several columns or rows, and as many of them as before. */
const sameShape = (table: Node, cells: readonly (readonly string[])[]): boolean =>
  table.childCount === cells.length && cells.every((row, r) => table.child(r).childCount === row.length);

type Drawn = Pick<TableAttrs, 'rules' | 'headFill' | 'stripe'>;

const LOOKS: Readonly<Record<TableLook, (dress: TableDress) => Drawn>> = {
  ruled: ({ ink }) => ({
    rules: { rows: { weight: 0.25, swatch: ink, tint: 0.5 }, head: { weight: 1, swatch: ink, tint: 1 } },
  }),
  banded: ({ ink, tint }) => ({
    headFill: { swatch: ink, tint: 0.15 },
    stripe: { swatch: tint, tint: 0.6 },
  }),
  framed: ({ ink }) => ({
    rules: {
      around: { weight: 0.75, swatch: ink, tint: 1 },
      columns: { weight: 0.25, swatch: ink, tint: 0.6 },
      head: { weight: 0.75, swatch: ink, tint: 1 },
    },
  }),
  open: ({ ink }) => ({ rules: { head: { weight: 0.5, swatch: ink, tint: 1 } } }),
};

/** Whether a cell takes several columns or rows. */
export const takesSeveral = (cell: Node): boolean => (cell.attrs['across'] ?? 1) !== 1 || (cell.attrs['down'] ?? 1) !== 1;

/** A table as it is edited. Undefined where cells of it take several columns or rows: those are not edited here. */
export function gridOf(table: Node): CellGrid | undefined {
  const attrs = table.attrs as TableAttrs;
  const cells: string[][] = [];
  let spans = false;
  const aligns: ColumnAlign[] = [];
  table.forEach((row, _, r) => {
    const words: string[] = [];
    row.forEach((cell, __, c) => {
      if (takesSeveral(cell)) spans = true;
      const own: string[] = [];
      cell.forEach((paragraph) => own.push(plainText(paragraph)));
      const whole = own.join('\n');
      if (r >= attrs.headerRows) {
        const align = (cell.firstChild?.attrs['local'] as { align?: string } | undefined)?.align;
        if (whole !== bare(whole)) aligns[c] = 'decimal';
        else aligns[c] ??= align === 'centre' || align === 'right' ? align : 'left';
      }
      words.push(bare(whole));
    });
    cells.push(words);
  });
  if (spans) return undefined;
  const last = table.lastChild?.firstChild;
  const width = Math.max(1, ...cells.map((row) => row.length));
  return {
    cells,
    headerRows: attrs.headerRows,
    hasTotal: last?.attrs['fill'] != null && table.childCount > attrs.headerRows + 1,
    aligns: Array.from({ length: width }, (_, i) => aligns[i] ?? 'left'),
    look: lookOf(attrs),
  };
}

function lookOf({ rules, stripe }: TableAttrs): TableLook {
  if (stripe) return 'banded';
  if (rules?.around) return 'framed';
  return rules?.rows ? 'ruled' : 'open';
}

/** The table that the selection is in, and where it begins. */
export function tableAt({ selection: { $from } }: EditorState): { readonly node: Node; readonly at: number } | undefined {
  for (let depth = $from.depth; depth > 0; depth--)
    if ($from.node(depth).type.name === 'table') return { node: $from.node(depth), at: $from.before(depth) };
  return undefined;
}

/** Puts a table in the place of the one that the selection is in; else behind the paragraph it is in. */
export const putTable =
  (table: Node): TextCommand =>
  (state) => {
    const now = tableAt(state);
    const { tr } = state;
    if (now) tr.replaceWith(now.at, now.at + now.node.nodeSize, table);
    else {
      const { $to } = state.selection;
      const after = $to.after(1);
      // An empty paragraph is what the table was wanted in.
      const isEmpty = $to.parent.content.size === 0 && $to.depth === 1 && state.doc.childCount > 1;
      if (isEmpty) tr.replaceWith($to.before(1), after, table);
      else tr.insert(after, table);
    }
    const start = now ? now.at : tr.mapping.map(state.selection.to, -1);
    return tr.setSelection(TextSelection.near(tr.doc.resolve(Math.min(start + 1, tr.doc.content.size))));
  };
