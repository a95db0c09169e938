import type { Binding, PlacedCell, SheetSide } from './imposition';

/** What is chosen of a press sheet beside its pages; lengths in points. */
export interface PressLayout {
  /** Of a page as it is cut. */
  readonly width: number;
  readonly height: number;
  readonly bleed: number;
  /** Between pages that are cut apart. */
  readonly gutter: number;
  /** Along the foot of the sheet, where the press holds it. */
  readonly gripper: number;
  readonly binding: Binding;
  /** Around the pages, for marks and words. */
  readonly margin: number;
  /** Of bound signatures: what is milled off at the spine, of each page. */
  readonly milled: number;
}

/** A page where it lies on its sheet: its trim’s left and top, and what of it is printed. */
export interface LaidCell extends PlacedCell {
  readonly x: number;
  readonly y: number;
  /** What of the sheet it may print on: its trim with its bleed, up to the spine and no further than the middle of a gutter. */
  readonly clip: { readonly x: number; readonly y: number; readonly w: number; readonly h: number };
}

export interface LaidSheet {
  readonly width: number;
  readonly height: number;
  readonly cells: readonly LaidCell[];
  /** Where it is cut and where it is folded: from the left, and from the top. */
  readonly cuts: { readonly across: readonly number[]; readonly down: readonly number[] };
  readonly folds: { readonly across: readonly number[]; readonly down: readonly number[] };
}

/** Lays the pages of a side out on its sheet. Two and two they meet at a spine; the others are cut apart. */
export function laidSheet({ columns, rows, cells }: SheetSide, layout: PressLayout): LaidSheet {
  const { width, height, gutter, gripper, bleed, binding, margin } = layout;
  const spine = binding === 'bound' ? 2 * layout.milled : 0;
  const pair = 2 * width + spine;
  const pairs = columns / 2;
  const left = (column: number) => margin + Math.floor(column / 2) * (pair + gutter) + (column % 2 === 1 ? width + spine : 0);
  const top = (row: number) => margin + row * (height + gutter);
  const full = {
    width: 2 * margin + pairs * pair + (pairs - 1) * gutter,
    height: 2 * margin + rows * height + (rows - 1) * gutter + gripper,
  };
  const outside = Math.min(bleed, gutter / 2);
  const laid = cells.map((cell): LaidCell => {
    const x = left(cell.column);
    const y = top(cell.row);
    const isLeft = cell.column % 2 === 0;
    const toSpine = binding === 'bound' ? layout.milled : 0;
    return {
      ...cell,
      x,
      y,
      clip: {
        x: x - (isLeft ? outside : toSpine),
        y: y - outside,
        w: width + outside + toSpine,
        h: height + 2 * outside,
      },
    };
  });
  const edges = (from: (i: number) => number, size: number, count: number) =>
    Array.from({ length: count }, (_, i) => [from(i), from(i) + size]).flat();
  const spines = Array.from({ length: pairs }, (_, i) => left(2 * i) + width + spine / 2);
  const between = Array.from({ length: pairs - 1 }, (_, i) => left(2 * i + 2) - gutter / 2);
  return {
    ...full,
    cells: laid,
    cuts: {
      // At a spine that is only folded nothing is cut.
      across: edges(left, width, columns).filter((x) => spine > 0 || !spines.some((each) => Math.abs(each - x) < 0.01)),
      down: edges(top, height, rows),
    },
    folds: { across: [...spines, ...between], down: Array.from({ length: rows - 1 }, (_, i) => top(i + 1) - gutter / 2) },
  };
}
