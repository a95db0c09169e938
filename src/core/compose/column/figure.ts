import type { StartIn } from '../../records/paragraphStyle';
import type { FigureAttrs } from '../../records/text';
import { below, roomFor } from './block';
import type { Column } from '../frames/column';
import type { Cursor } from './cursor';
import { bareLine } from '../displayList/line';
import type { PlacedBlock } from './placed';

/** A picture between paragraphs, with the proportion of its pixels. */
export interface Figure {
  readonly attrs: FigureAttrs;
  /** Height by width. */
  readonly proportion: number;
}

export function placeFigure(
  of: Figure,
  startIn: StartIn | undefined,
  start: Cursor,
  moved: boolean,
  columns: readonly Column[],
): PlacedBlock {
  const widthIn = (column: number) => Math.min(of.attrs.width ?? column, column);
  const room = roomFor((width) => widthIn(width) * of.proportion, start, columns);
  const w = widthIn(room.width);
  const free = room.width - w;
  const x = room.x + (of.attrs.align === 'right' ? free : of.attrs.align === 'centre' ? free / 2 : 0);
  const h = w * of.proportion;
  const line = bareLine(x, room.top + h, w, [{ type: 'picture', box: { x: 0, y: -h, w, h }, picture: of.attrs.picture }]);
  return {
    source: of,
    leaves: 0,
    start,
    startIn,
    moved,
    lines: [{ column: room.column, a: 0, b: 0, x, width: w, leaf: -1, line }],
    end: below(room.column, room.top + h, columns),
    reached: room.column,
    warnings: [],
    prepared: undefined,
  };
}
