import type { LRUCache } from 'lru-cache';
import type { Node } from 'prosemirror-model';
import { sidesOf } from '../../records/frame';
import type { StartIn } from '../../records/paragraphStyle';
import type { CellAttrs, TableAttrs } from '../../records/text';
import { below, roomFor } from './block';
import type { Column } from '../frames/column';
import type { Ink } from '../../colour/ink';
import type { Line, LineMark } from '../displayList/displayList';
import { runsRightToLeft } from '../paragraph/direction';
import { type Cursor, topOf } from './cursor';
import { bareLine, movedLine } from '../displayList/line';
import type { PlacedBlock, PlacedLine, Warning } from './placed';
import { placeParagraph } from './placeParagraph';
import type { Prepared } from '../paragraph/prepared';

/** A cell with its paragraphs made ready, and where it stands: its first column and row, and how many it takes. */
export interface PreparedCell {
  readonly attrs: CellAttrs;
  readonly paragraphs: readonly Prepared[];
  readonly column: number;
  readonly across: number;
  readonly row: number;
  readonly down: number;
  /** Of its first paragraph, among the table's. */
  readonly leaf: number;
  readonly fill: Ink | undefined;
}

/** A table made ready for any width. */
export interface PreparedTable {
  readonly node: Node;
  readonly attrs: TableAttrs;
  readonly cells: readonly PreparedCell[];
  readonly rows: number;
  readonly leaves: number;
  readonly inks: {
    readonly rows?: Ink | undefined;
    readonly columns?: Ink | undefined;
    readonly around?: Ink | undefined;
    readonly head?: Ink | undefined;
    readonly headFill?: Ink | undefined;
    readonly stripe?: Ink | undefined;
  };
  /** As it was laid out, by width. */
  readonly laid: LRUCache<number, LaidTable>;
}

/** A table laid out on a width: everything from its own top left corner. Points. */
interface LaidTable {
  /** Left and right edge of a cell. */
  readonly sides: (cell: PreparedCell) => readonly [left: number, right: number];
  readonly heights: readonly number[];
  /** The cells' lines by row, from the row's top. */
  readonly lines: readonly (readonly { readonly leaf: number; readonly line: Line }[])[];
  /** Tops of rows that must stay with the row above, as a cell reaches over both. */
  readonly joined: ReadonlySet<number>;
  readonly warnings: readonly Warning[];
}

/**
 * Puts the cells of a table where they stand: each in the first place of its row that no cell from above reaches
 * into. A cell that would reach over the right edge or below the last row is cut to the table.
 */
export function arrangedCells(node: Node): { cell: Node; column: number; across: number; row: number; down: number }[] {
  const columns = (node.attrs as TableAttrs).columns.length;
  const taken: boolean[][] = node.content.content.map(() => []);
  const out: { cell: Node; column: number; across: number; row: number; down: number }[] = [];
  node.content.content.forEach(({ content }, row) => {
    let column = 0;
    for (const cell of content.content) {
      while (taken[row]![column]) column++;
      // More cells than columns: the rest share the last one's place rather than vanish.
      const at = Math.min(column, columns - 1);
      const across = Math.max(1, Math.min((cell.attrs as CellAttrs).across ?? 1, columns - at));
      const down = Math.max(1, Math.min((cell.attrs as CellAttrs).down ?? 1, node.childCount - row));
      for (let r = row; r < row + down; r++) for (let c = at; c < at + across; c++) taken[r]![c] = true;
      out.push({ cell, column: at, across, row, down });
      column = at + across;
    }
  });
  return out;
}

/** Edges of the columns on a width: fixed ones as they are, the rest shared. Fixed ones too wide together shrink alike. */
export function columnEdges(columns: TableAttrs['columns'], width: number): number[] {
  const fixed = columns.reduce((sum, each) => sum + ('points' in each ? each.points : 0), 0);
  const shares = columns.reduce((sum, each) => sum + ('share' in each ? each.share : 0), 0);
  const shrink = fixed > width ? width / fixed : 1;
  const left = Math.max(0, width - fixed);
  const edges = [0];
  for (const each of columns) {
    const own = 'points' in each ? each.points * shrink : (left * each.share) / shares;
    edges.push(edges[edges.length - 1]! + own);
  }
  return edges;
}

function layTable(of: PreparedTable, width: number): LaidTable {
  const kept = of.laid.get(width);
  if (kept) return kept;
  const { attrs } = of;
  const inset = sidesOf(attrs.inset);
  const edges = columnEdges(attrs.columns, width);
  // In a table that runs from right to left the first column is the rightmost.
  const backwards = runsRightToLeft(of.node);
  const sides = ({ column, across }: PreparedCell): readonly [number, number] =>
    backwards ? [width - edges[column + across]!, width - edges[column]!] : [edges[column]!, edges[column + across]!];
  const warnings: Warning[] = [];
  const set = of.cells.map((cell) => {
    const [left, right] = sides(cell);
    const x = left + inset.left;
    const w = Math.max(0, right - inset.right - x);
    const column: Column = {
      frame: '',
      page: '',
      number: 1,
      side: 'right',
      box: { x, y: 0, w, h: 0 },
      grid: undefined,
      first: 'ascent',
      exclusions: [],
      endless: true,
      overset: false,
    };
    const blocks = stacked(cell.paragraphs, column);
    for (const block of blocks) warnings.push(...block.warnings);
    const lines = blocks.flatMap((block, i) => block.lines.map(({ line }) => ({ leaf: cell.leaf + i, line })));
    const last = lines[lines.length - 1];
    return { cell, lines, height: (last ? last.line.baseline + last.line.descent : 0) + inset.top + inset.bottom };
  });
  const heights = new Array<number>(of.rows).fill(0);
  for (const { cell, height } of set) if (cell.down === 1) heights[cell.row] = Math.max(heights[cell.row]!, height);
  // What a cell over several rows still lacks goes to the last of them.
  for (const { cell, height } of set) {
    if (cell.down === 1) continue;
    const rows = heights.slice(cell.row, cell.row + cell.down).reduce((sum, each) => sum + each, 0);
    heights[cell.row + cell.down - 1]! += Math.max(0, height - rows);
  }
  const lines = heights.map(() => [] as { leaf: number; line: Line }[]);
  const joined = new Set<number>();
  for (const { cell, lines: own, height } of set) {
    const room = heights.slice(cell.row, cell.row + cell.down).reduce((sum, each) => sum + each, 0);
    const { align } = cell.attrs;
    const dy = inset.top + (align === 'bottom' ? room - height : align === 'centre' ? (room - height) / 2 : 0);
    for (const { leaf, line } of own) lines[cell.row]!.push({ leaf, line: movedLine(line, 0, dy) });
    for (let r = cell.row + 1; r < cell.row + cell.down; r++) joined.add(r);
  }
  const laid = { sides, heights, lines, joined, warnings };
  of.laid.set(width, laid);
  return laid;
}

/** Paragraphs one below another in a column that ends nowhere. */
function stacked(paragraphs: readonly Prepared[], column: Column): PlacedBlock[] {
  const columns = [column];
  let cursor = topOf(columns, 0);
  return paragraphs.map((source) => {
    const placed = placeParagraph(source, undefined, cursor, false, columns);
    cursor = placed.end;
    return placed;
  });
}

/**
 * Puts a table into columns, row by row; where it goes on in another column its header rows stand again at the head.
 * Rows that a cell holds together stay together.
 */
export function placeTable(
  of: PreparedTable,
  startIn: StartIn | undefined,
  start: Cursor,
  moved: boolean,
  columns: readonly Column[],
): PlacedBlock {
  const head = Math.min(of.attrs.headerRows, of.rows - 1);
  const lines: PlacedLine[] = [];
  const warnings: Warning[] = [];
  let cursor = start;
  let row = 0;
  let foot = start.y;
  let inColumn = -1;
  let partTop = 0;
  let partRows: number[] = [];
  const closePart = () => {
    if (partRows.length === 0) return;
    const { box } = columns[inColumn]!;
    lines.push(...partLines(of, partRows, inColumn, box.x, partTop, box.w));
    partRows = [];
  };
  while (row < of.rows) {
    const width = columns[cursor.column]!.box.w;
    let to = row + 1;
    const { joined } = layTable(of, width);
    while (to < of.rows && (joined.has(to) || to <= (row < head ? head : 0))) to++;
    const rows = range(row, to);
    const again = row >= head ? range(0, head) : [];
    const heightOf = (w: number, list: readonly number[]) => {
      const { heights } = layTable(of, w);
      return list.reduce((sum, each) => sum + heights[each]!, 0);
    };
    const starts = inColumn < 0;
    const room = roomFor((w) => heightOf(w, rows), cursor, columns, starts);
    if (!starts && room.column === inColumn && Math.abs(room.top - foot) < 0.01) {
      partRows.push(...rows);
      foot = room.baseline;
      cursor = { column: room.column, y: foot, atTop: false, edge: true, after: 0 };
    } else {
      // A new part: in another column, or below something that stands in the way; with the header before it.
      const whole = starts ? rows : [...again, ...rows];
      const from = starts ? cursor : { ...cursor, after: 0 };
      const place = roomFor((w) => heightOf(w, whole), from, columns, starts);
      closePart();
      inColumn = place.column;
      partTop = place.top;
      partRows = [...whole];
      foot = place.baseline;
      cursor = { column: inColumn, y: foot, atTop: false, edge: true, after: 0 };
    }
    row = to;
  }
  closePart();
  const last = layTable(of, columns[inColumn]!.box.w);
  warnings.push(...last.warnings);
  return {
    source: of,
    leaves: of.leaves,
    start,
    startIn,
    moved,
    lines,
    end: below(inColumn, foot, columns),
    reached: inColumn,
    warnings: [...new Set(warnings)],
    prepared: undefined,
  };
}

const range = (from: number, to: number): number[] => Array.from({ length: Math.max(0, to - from) }, (_, i) => from + i);

/** Rows that stand under one another in one column: tints, text, rules. A header's text set again belongs to no paragraph. */
function partLines(
  of: PreparedTable,
  rows: readonly number[],
  column: number,
  x: number,
  top: number,
  width: number,
): PlacedLine[] {
  const { attrs, inks } = of;
  const { sides, heights, lines } = layTable(of, width);
  const backwards = runsRightToLeft(of.node);
  const head = Math.min(attrs.headerRows, of.rows - 1);
  const tops = new Map<number, number>();
  let y = 0;
  for (const row of rows) {
    tops.set(row, y);
    y += heights[row]!;
  }
  const height = y;
  const repeats = rows[0] === 0 && rows.length > head && rows[head] !== head;
  const marks: LineMark[] = [];
  const area = (box: { x: number; y: number; w: number; h: number }, ink: Ink | undefined) => {
    if (ink && box.w > 0 && box.h > 0) marks.push({ type: 'area', box, ink, over: false });
  };
  for (const row of rows) {
    const box = { x: 0, y: tops.get(row)!, w: width, h: heights[row]! };
    if (row < head) area(box, inks.headFill);
    else if ((row - head) % 2 === 1) area(box, inks.stripe);
  }
  const cells = of.cells.filter((cell) => tops.has(cell.row));
  const boxOf = (cell: PreparedCell) => {
    const from = tops.get(cell.row)!;
    const h = range(cell.row, cell.row + cell.down).reduce((sum, row) => sum + heights[row]!, 0);
    const [x, right] = sides(cell);
    return { x, y: from, w: right - x, h };
  };
  for (const cell of cells) area(boxOf(cell), cell.fill);
  const { rules = {} } = attrs;
  for (const cell of cells) {
    const box = boxOf(cell);
    const right = cell.column + cell.across < attrs.columns.length;
    if (rules.columns && right) {
      const w = rules.columns.weight;
      area({ x: (backwards ? box.x : box.x + box.w) - w / 2, y: box.y, w, h: box.h }, inks.columns);
    }
    const lastRow = Math.abs(box.y + box.h - height) < 0.01;
    const underHead = cell.row + cell.down === head && rules.head;
    if (rules.rows && !lastRow && !underHead) {
      const h = rules.rows.weight;
      area({ x: box.x, y: box.y + box.h - h / 2, w: box.w, h }, inks.rows);
    }
  }
  if (rules.head && head > 0 && rows.some((row) => row < head)) {
    const h = rules.head.weight;
    const under = range(0, head).reduce((sum, row) => sum + heights[row]!, 0);
    area({ x: 0, y: under - h / 2, w: width, h }, inks.head);
  }
  if (rules.around) {
    const w = rules.around.weight;
    area({ x: 0, y: -w / 2, w: width, h: w }, inks.around);
    area({ x: 0, y: height - w / 2, w: width, h: w }, inks.around);
    area({ x: -w / 2, y: -w / 2, w, h: height + w }, inks.around);
    area({ x: width - w / 2, y: -w / 2, w, h: height + w }, inks.around);
  }
  const out: PlacedLine[] = [{ column, a: 0, b: 0, x, width, leaf: -1, line: bareLine(x, top, width, marks) }];
  for (const row of rows) {
    const again = repeats && row < head;
    for (const { leaf, line } of lines[row]!) {
      out.push({ column, a: 0, b: 0, x, width, leaf: again ? -1 : leaf, line: movedLine(line, x, top + tops.get(row)!) });
    }
  }
  return out;
}
