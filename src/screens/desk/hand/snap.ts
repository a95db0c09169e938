import type { Box } from '@/core/geometry/box';
import { mapped, rotation } from '@/core/geometry/matrix';
import { guideAt, pageGrid } from '@/core/page/grid';
import type { PlacedPage } from '@/core/page/pages';
import type { FormatRecord } from '@/core/records/index';

/** Which sides of a frame a hand pulls; none of them: it moves. */
export interface Pull {
  readonly left: boolean;
  readonly right: boolean;
  readonly top: boolean;
  readonly bottom: boolean;
}

export const MOVE: Pull = { left: false, right: false, top: false, bottom: false };

/**
 * The lines a frame's edges catch on, in the coordinates of the spread. A gutter is narrow: a left edge looks for where a
 * column begins, a right edge for where one ends.
 */
export interface Catches {
  readonly left: readonly number[];
  readonly right: readonly number[];
  readonly y: readonly number[];
}

/** Column edges, guides, the trim and the bleed; every line of the baseline grid, on which modules begin and end. */
export function catchesOf(format: FormatRecord, pages: readonly PlacedPage[]): Catches {
  const left = new Set<number>();
  const right = new Set<number>();
  const both = (at: number) => {
    left.add(at);
    right.add(at);
  };
  const y = new Set<number>();
  for (const { master, side, dx } of pages) {
    const grid = pageGrid(format, master, side);
    for (const column of grid.columns) {
      left.add(dx + column.x);
      right.add(dx + column.x + column.w);
    }
    for (const edge of [-format.bleed, 0, format.width, format.width + format.bleed]) both(dx + edge);
    for (const guide of master.guides ?? []) {
      const at = guideAt(format, grid, side, guide);
      if (guide.direction === 'upright') both(dx + at);
      else y.add(at);
    }
    for (let line = 0; line <= grid.lines; line++) y.add(grid.first + (line - 1) * grid.step);
    for (const edge of [-format.bleed, 0, format.height, format.height + format.bleed]) y.add(edge);
  }
  return { left: [...left], right: [...right], y: [...y] };
}

/** How far the nearest catch is from its edge; 0 when none is within reach. */
function offset(edges: readonly (readonly [edge: number, catches: readonly number[]])[], reach: number): number {
  let best = Infinity;
  for (const [edge, catches] of edges) for (const at of catches) if (Math.abs(at - edge) < Math.abs(best)) best = at - edge;
  return Math.abs(best) <= reach ? best : 0;
}

/**
 * A box moved or pulled by hand, its edges caught by the lines that are near.
 * @param reach how near is near, points; 0 catches nothing
 */
export function pulled(box: Box, pull: Pull, dx: number, dy: number, catches: Catches, reach: number): Box {
  const moves = !pull.left && !pull.right && !pull.top && !pull.bottom;
  if (moves) {
    const to = { ...box, x: box.x + dx, y: box.y + dy };
    return {
      ...to,
      x:
        to.x +
        offset(
          [
            [to.x, catches.left],
            [to.x + to.w, catches.right],
          ],
          reach,
        ),
      y:
        to.y +
        offset(
          [
            [to.y, catches.y],
            [to.y + to.h, catches.y],
          ],
          reach,
        ),
    };
  }
  let { x, y } = box;
  let r = box.x + box.w;
  let b = box.y + box.h;
  if (pull.left) x = Math.min(r - 4, x + dx + offset([[x + dx, catches.left]], reach));
  if (pull.right) r = Math.max(x + 4, r + dx + offset([[r + dx, catches.right]], reach));
  if (pull.top) y = Math.min(b - 4, y + dy + offset([[y + dy, catches.y]], reach));
  if (pull.bottom) b = Math.max(y + 4, b + dy + offset([[b + dy, catches.y]], reach));
  return { x, y, w: r - x, h: b - y };
}

/**
 * A box that is turned about its middle, pulled by hand: what lies across from where it is pulled stays where it is.
 * @param degrees clockwise
 */
export function pulledTurned(box: Box, pull: Pull, dx: number, dy: number, degrees: number): Box {
  const none: Catches = { left: [], right: [], y: [] };
  const centre = { x: box.x + box.w / 2, y: box.y + box.h / 2 };
  const by = mapped(rotation(-degrees, { x: 0, y: 0 }), { x: dx, y: dy });
  const to = pulled(box, pull, by.x, by.y, none, 0);
  const middle = mapped(rotation(degrees, centre), { x: to.x + to.w / 2, y: to.y + to.h / 2 });
  return { ...to, x: middle.x - to.w / 2, y: middle.y - to.h / 2 };
}
