import type { Box, Point } from '../geometry/box';
import type { FormatRecord, MasterRecord } from '../records/index';
import type { Guide } from '../records/master';

/** The grid of one page, worked out: all in points from the page's trim. */
export interface PageGrid {
  readonly area: Box;
  /** Left edge and width of every column. */
  readonly columns: readonly { readonly x: number; readonly w: number }[];
  readonly gutter: number;
  /** The first baseline is at `first`, each next `step` further down. */
  readonly first: number;
  readonly step: number;
  /** Whole lines in the type area. */
  readonly lines: number;
}

/** A stretch of grid: columns and lines counted from 1, both ends included. */
export interface Stretch {
  readonly columns: readonly [number, number];
  readonly lines: readonly [number, number];
}

const HAIR = 0.01;

export function pageGrid(format: FormatRecord, master: MasterRecord, side: 'left' | 'right'): PageGrid {
  const { margins } = master;
  const turned = isTurned(format, side);
  const left = turned ? margins.outer : margins.inner;
  const area = {
    x: left,
    y: margins.top,
    w: format.width - margins.inner - margins.outer,
    h: format.height - margins.top - margins.bottom,
  };
  const step = format.baseline.step;
  const first = area.y + format.baseline.offset + step;
  return {
    area,
    columns: columnsOf(area, master, turned),
    gutter: master.gutter,
    first,
    step,
    lines: Math.max(0, Math.floor((area.y + area.h - first + HAIR) / step) + 1),
  };
}

/** Whether a page is the mirror of the one the master describes, which has its spine on the left. */
const isTurned = (format: FormatRecord, side: 'left' | 'right'): boolean =>
  format.facing && side === 'left' && format.pattern !== 'repeated';

function columnsOf(area: Box, { columns: count, gutter, widths }: MasterRecord, turned: boolean): { x: number; w: number }[] {
  const room = area.w - gutter * (count - 1);
  const shares = Array.from({ length: count }, (_, i) => widths?.[i] ?? 1);
  if (turned) shares.reverse();
  const sum = shares.reduce((total, share) => total + share, 0);
  let x = area.x;
  return shares.map((share) => {
    const w = (room * share) / sum;
    const column = { x, w };
    x += w + gutter;
    return column;
  });
}

/** The lines that each row of modules takes, from and to, as many lines to each as there are whole ones. */
export function moduleRows(grid: PageGrid, rows: NonNullable<MasterRecord['rows']>): (readonly [number, number])[] {
  const each = Math.floor((grid.lines - rows.gutterLines * (rows.count - 1)) / rows.count);
  if (each < 1) return [];
  return Array.from({ length: rows.count }, (_, i) => {
    const from = 1 + i * (each + rows.gutterLines);
    return [from, from + each - 1] as const;
  });
}

/** Where a guide lies on a page: x of an upright one, y of a level one. */
export function guideAt(format: FormatRecord, grid: PageGrid, side: 'left' | 'right', { direction, within, at }: Guide): number {
  const upright = direction === 'upright';
  const from = within === 'page' ? 0 : upright ? grid.area.x : grid.area.y;
  const length = within === 'page' ? (upright ? format.width : format.height) : upright ? grid.area.w : grid.area.h;
  const far = 'share' in at ? at.share * length : at.points;
  return upright && isTurned(format, side) ? from + length - far : from + far;
}

/** What running text has of a page: how many columns it is set in, how wide one is, and the lines each holds. */
export function textArea(
  grid: PageGrid,
  master: Pick<MasterRecord, 'textSpan'>,
): { columns: number; measure: number; lines: number } {
  const span = Math.min(master.textSpan, grid.columns.length);
  const last = grid.columns[span - 1]!;
  const measure = last.x + last.w - grid.columns[0]!.x;
  return { columns: Math.max(1, Math.floor(grid.columns.length / master.textSpan)), measure, lines: grid.lines };
}

/** Guides that divide a page or its type area evenly: two for thirds. */
export const evenGuides = (direction: Guide['direction'], within: Guide['within'], parts: number): Guide[] =>
  Array.from({ length: parts - 1 }, (_, i) => ({ direction, within, at: { share: (i + 1) / parts } }));

/** The column nearest to x, from 1. */
export function columnAt(grid: PageGrid, x: number): number {
  const last = grid.columns.length;
  for (let i = 1; i < last; i++) if (x < grid.columns[i]!.x - grid.gutter / 2) return i;
  return last;
}

/** The line whose space y falls in, from 1. A line reaches from the baseline above it to its own. */
export function lineAt(grid: PageGrid, y: number): number {
  return clamp(Math.floor((y - (grid.first - grid.step)) / grid.step) + 1, 1, Math.max(1, grid.lines));
}

/** The stretch between two points of the page. */
export function stretchBetween(grid: PageGrid, a: Point, b: Point): Stretch {
  const columns = [columnAt(grid, a.x), columnAt(grid, b.x)].sort((p, q) => p - q) as [number, number];
  const lines = [lineAt(grid, a.y), lineAt(grid, b.y)].sort((p, q) => p - q) as [number, number];
  return { columns, lines };
}

/** The box of a stretch: from the first column's left to the last one's right, from line top to last baseline. */
export function stretchBox(grid: PageGrid, stretch: Stretch): Box {
  const first = grid.columns[stretch.columns[0] - 1]!;
  const last = grid.columns[stretch.columns[1] - 1]!;
  const y = grid.first + (stretch.lines[0] - 2) * grid.step;
  return { x: first.x, y, w: last.x + last.w - first.x, h: (stretch.lines[1] - stretch.lines[0] + 1) * grid.step };
}

/** Where a box lies in grid terms; `onColumns` and `onLines` tell whether its edges are the grid's own. */
export function stretchOf(grid: PageGrid, box: Box): Stretch & { onColumns: boolean; onLines: boolean } {
  const first = columnAt(grid, box.x + HAIR);
  const last = Math.max(first, columnAt(grid, box.x + box.w - HAIR));
  const from = lineAt(grid, box.y + HAIR);
  const to = Math.max(from, lineAt(grid, box.y + box.h - HAIR));
  const ideal = stretchBox(grid, { columns: [first, last], lines: [from, to] });
  const near = (a: number, b: number) => Math.abs(a - b) < 0.05;
  return {
    columns: [first, last],
    lines: [from, to],
    onColumns: near(ideal.x, box.x) && near(ideal.x + ideal.w, box.x + box.w),
    onLines: near(ideal.y, box.y) && near(ideal.y + ideal.h, box.y + box.h),
  };
}

/**
 * The largest stretch around a point that no taken box reaches into.
 *
 * @param taken boxes in page coordinates
 * @returns undefined when the point itself is taken
 */
export function freeStretch(grid: PageGrid, at: Point, taken: readonly Box[]): Stretch | undefined {
  const column = columnAt(grid, at.x);
  const line = lineAt(grid, at.y);
  const columns = grid.columns.length;
  const busy: boolean[][] = Array.from({ length: grid.lines + 1 }, () => []);
  for (const box of taken) {
    for (let c = 1; c <= columns; c++) {
      const of = grid.columns[c - 1]!;
      if (box.x + HAIR >= of.x + of.w || box.x + box.w - HAIR <= of.x) continue;
      for (let l = 1; l <= grid.lines; l++) {
        const top = grid.first + (l - 2) * grid.step;
        if (box.y + HAIR < top + grid.step && box.y + box.h - HAIR > top) busy[l]![c] = true;
      }
    }
  }
  if (grid.lines === 0 || busy[line]![column]) return undefined;
  let best: Stretch | undefined;
  let bestArea = 0;
  for (let a = column; a >= 1 && !busy[line]![a]; a--) {
    for (let b = column; b <= columns && !busy[line]![b]; b++) {
      const free = (l: number) => {
        for (let c = a; c <= b; c++) if (busy[l]![c]) return false;
        return true;
      };
      if (!free(line)) continue;
      let from = line;
      let to = line;
      while (from > 1 && free(from - 1)) from--;
      while (to < grid.lines && free(to + 1)) to++;
      const area = (b - a + 1) * (to - from + 1);
      if (area > bestArea) [best, bestArea] = [{ columns: [a, b], lines: [from, to] }, area];
    }
  }
  return best;
}

/** A stretch in words, "columns 2 to 4, lines 10 to 32". */
export function stretchWords(stretch: Stretch): string {
  const range = (one: string, [from, to]: readonly [number, number]) =>
    from === to ? `${one} ${from}` : `${one}s ${from} to ${to}`;
  return `${range('column', stretch.columns)}, ${range('line', stretch.lines)}`;
}

function clamp(value: number, least: number, most: number): number {
  return Math.max(least, Math.min(most, value));
}
