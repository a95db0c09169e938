import type { Box } from '../geometry/box';
import type { FormatRecord, MasterRecord } from '../records/index';
import { pageGrid, type PageGrid, stretchBox, stretchOf } from './grid';

/** A page's grid with the paper it is on and the master it is of. */
export interface PaperGrid {
  readonly format: FormatRecord;
  readonly master: MasterRecord;
  readonly grid: PageGrid;
}

export const paperGrid = (format: FormatRecord, master: MasterRecord, side: 'left' | 'right'): PaperGrid => ({
  format,
  master,
  grid: pageGrid(format, master, side),
});

/**
 * Where a frame that lies on one grid lies on another. Edges on columns and lines stay on columns and lines: from the
 * first to the last, or to the share of them it had. Other edges keep their place between those of bleed, trim, type
 * area and, where there are as many, columns.
 */
export function refitted(box: Box, from: PaperGrid, to: PaperGrid): Box {
  const at = stretchOf(from.grid, box);
  const columns = across(at.columns, from.grid.columns.length, to.grid.columns.length);
  const lines = down(at.lines, from.grid.lines, to.grid.lines);
  const onGrid = stretchBox(to.grid, { columns, lines });
  const x = at.onColumns ? [onGrid.x, onGrid.x + onGrid.w] : [box.x, box.x + box.w].map(moved(...stopsAcross(from, to)));
  const y = at.onLines ? [onGrid.y, onGrid.y + onGrid.h] : [box.y, box.y + box.h].map(moved(...stopsDown(from, to)));
  return { x: x[0]!, y: y[0]!, w: x[1]! - x[0]!, h: y[1]! - y[0]! };
}

/** The same share of another number of columns, at least one. */
function across([a, b]: readonly [number, number], old: number, now: number): readonly [number, number] {
  if (old === now) return [a, b];
  const first = Math.min(now, Math.round(((a - 1) * now) / old) + 1);
  return [first, Math.max(first, Math.round((b * now) / old))];
}

/** The same lines, as far as there are any; what reached to the last line still does. */
function down([a, b]: readonly [number, number], old: number, now: number): readonly [number, number] {
  const last = Math.max(1, now);
  const first = Math.min(a, last);
  return [first, Math.max(first, b === old ? last : Math.min(b, last))];
}

type Stops = readonly [readonly number[], readonly number[]];

function stopsAcross(from: PaperGrid, to: PaperGrid): Stops {
  const same = from.grid.columns.length === to.grid.columns.length;
  const stops = ({ format, grid }: PaperGrid) => [
    -format.bleed,
    0,
    ...(same ? grid.columns.flatMap(({ x, w }) => [x, x + w]) : [grid.area.x, grid.area.x + grid.area.w]),
    format.width,
    format.width + format.bleed,
  ];
  return [stops(from), stops(to)];
}

function stopsDown(from: PaperGrid, to: PaperGrid): Stops {
  const stops = ({ format, grid }: PaperGrid) => [
    -format.bleed,
    0,
    grid.area.y,
    grid.area.y + grid.area.h,
    format.height,
    format.height + format.bleed,
  ];
  return [stops(from), stops(to)];
}

/** Maps a coordinate by straight pieces between stops that correspond; beyond the last ones it keeps its distance. */
const moved =
  (from: readonly number[], to: readonly number[]) =>
  (value: number): number => {
    const last = from.length - 1;
    if (value <= from[0]!) return to[0]! + value - from[0]!;
    if (value >= from[last]!) return to[last]! + value - from[last]!;
    let i = 0;
    while (value > from[i + 1]!) i++;
    const length = from[i + 1]! - from[i]!;
    return length < 1e-9 ? to[i + 1]! : to[i]! + ((value - from[i]!) / length) * (to[i + 1]! - to[i]!);
  };
