import type { Box } from '@/core/geometry/box';
import { mapped, rotation } from '@/core/geometry/matrix';
import { type Neighbours, type Places, placesFor } from '@/core/geometry/neighbours';
import { guideAt, pageGrid } from '@/core/page/grid';
import { drawnGuides } from '@/core/page/guides';
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
  for (const { guide, at } of drawnGuides(pages, format.width, format.height)) {
    if (guide.direction === 'upright') both(at);
    else y.add(at);
  }
  return { left: [...left], right: [...right], y: [...y] };
}

/** How far the nearest catch is from its edge; 0 when none is within reach. */
function offset(edges: readonly (readonly [edge: number, ...catches: readonly (readonly number[])[]])[], reach: number): number {
  let best = Infinity;
  for (const [edge, ...lists] of edges)
    for (const catches of lists) for (const at of catches) if (Math.abs(at - edge) < Math.abs(best)) best = at - edge;
  return Math.abs(best) <= reach ? best : 0;
}

/** A place brought to the nearest of some lines, where one is near. */
export const caughtBy = (at: number, lines: readonly number[], reach: number): number => at + offset([[at, lines]], reach);

/** How a hand holds what it pulls. */
export interface Grip {
  /** How near is near, points; 0 catches nothing. */
  readonly reach: number;
  /** What lies around it. */
  readonly neighbours?: Neighbours | undefined;
  /** What moves goes one way only; what is sized keeps its shape. */
  readonly held?: boolean | undefined;
  /** What is sized grows to both sides. */
  readonly fromCentre?: boolean | undefined;
}

const NOTHING: Places = { from: [], to: [], middle: [] };

/** A box moved or pulled by hand, its edges and middles caught by the lines that are near. */
export function pulled(box: Box, pull: Pull, dx: number, dy: number, catches: Catches, grip: Grip): Box {
  const { reach, neighbours, held = false, fromCentre = false } = grip;
  const near = (at: Box) => (neighbours && reach > 0 ? placesFor(at, neighbours) : { x: NOTHING, y: NOTHING });
  if (isMove(pull)) {
    const isAcross = Math.abs(dx) >= Math.abs(dy);
    const [byX, byY] = held ? (isAcross ? [dx, 0] : [0, dy]) : [dx, dy];
    const to = { ...box, x: box.x + byX, y: box.y + byY };
    const { x, y } = near(to);
    const across = offset(
      [
        [to.x, catches.left, x.from],
        [to.x + to.w, catches.right, x.to],
        [to.x + to.w / 2, x.middle],
      ],
      reach,
    );
    const down = offset(
      [
        [to.y, catches.y, y.from],
        [to.y + to.h, catches.y, y.to],
        [to.y + to.h / 2, y.middle],
      ],
      reach,
    );
    return { ...to, x: to.x + (held && !isAcross ? 0 : across), y: to.y + (held && isAcross ? 0 : down) };
  }
  const raw = sized(box, pull, dx, dy, fromCentre);
  const { x, y } = near(raw);
  const across = pull.left
    ? offset([[raw.x, catches.left, x.from]], reach)
    : pull.right
      ? offset([[raw.x + raw.w, catches.right, x.to]], reach)
      : 0;
  const down = pull.top
    ? offset([[raw.y, catches.y, y.from]], reach)
    : pull.bottom
      ? offset([[raw.y + raw.h, catches.y, y.to]], reach)
      : 0;
  const to = sized(box, pull, dx + across, dy + down, fromCentre);
  return held ? inShape(box, to, pull, fromCentre) : to;
}

const isMove = ({ left, right, top, bottom }: Pull): boolean => !left && !right && !top && !bottom;

/** The least side of what is sized by hand, points. */
const LEAST = 4;

function sized(box: Box, pull: Pull, dx: number, dy: number, fromCentre: boolean): Box {
  const along = (from: number, to: number, first: boolean, last: boolean, by: number): [number, number] => {
    if (!first && !last) return [from, to];
    const grows = (first ? -by : by) * (fromCentre ? 2 : 1);
    const long = Math.max(LEAST, to - from + grows);
    if (fromCentre) return [(from + to - long) / 2, (from + to + long) / 2];
    return first ? [to - long, to] : [from, from + long];
  };
  const [x, r] = along(box.x, box.x + box.w, pull.left, pull.right, dx);
  const [y, b] = along(box.y, box.y + box.h, pull.top, pull.bottom, dy);
  return { x, y, w: r - x, h: b - y };
}

/** A box that was sized, in the shape it had: by the side that was pulled the farther, and away from what was pulled. */
function inShape(box: Box, to: Box, pull: Pull, fromCentre: boolean): Box {
  const byWidth = pull.left || pull.right ? to.w / box.w : 0;
  const byHeight = pull.top || pull.bottom ? to.h / box.h : 0;
  const times =
    byWidth === 0 ? byHeight : byHeight === 0 ? byWidth : Math.abs(byWidth - 1) >= Math.abs(byHeight - 1) ? byWidth : byHeight;
  const [w, h] = [box.w * times, box.h * times];
  const along = (from: number, long: number, now: number, first: boolean, last: boolean) =>
    fromCentre || (!first && !last) ? from + (long - now) / 2 : first ? from + long - now : from;
  return {
    x: along(box.x, box.w, w, pull.left, pull.right),
    y: along(box.y, box.h, h, pull.top, pull.bottom),
    w,
    h,
  };
}

/** Where a box comes to lie that is a part of a larger one, when that is sized: what it has of it stays the same. */
export const scaledWith = (part: Box, from: Box, to: Box): Box => {
  const [across, down] = [to.w / from.w, to.h / from.h];
  return { x: to.x + (part.x - from.x) * across, y: to.y + (part.y - from.y) * down, w: part.w * across, h: part.h * down };
};

/** Degrees between two turns that a hand is caught by, and how near is near. */
const TURN_STEP = 15;
const TURN_REACH = 3;

/**
 * A turn by hand, in tenths of a degree, caught by every fifteenth degree.
 * @param how `held` to the steps alone, or `free` of them
 */
export function turnedBy(degrees: number, how: 'held' | 'free' | 'caught'): number {
  const step = Math.round(degrees / TURN_STEP) * TURN_STEP;
  const caught = how === 'held' || (how === 'caught' && Math.abs(degrees - step) <= TURN_REACH);
  return caught ? step : Math.round(degrees * 10) / 10;
}

/**
 * A box that is turned about its middle, pulled by hand: what lies across from where it is pulled stays where it is.
 * @param degrees clockwise
 */
export function pulledTurned(box: Box, pull: Pull, dx: number, dy: number, degrees: number, grip: Grip): Box {
  const none: Catches = { left: [], right: [], y: [] };
  const centre = { x: box.x + box.w / 2, y: box.y + box.h / 2 };
  const by = mapped(rotation(-degrees, { x: 0, y: 0 }), { x: dx, y: dy });
  const to = pulled(box, pull, by.x, by.y, none, { ...grip, reach: 0 });
  const middle = mapped(rotation(degrees, centre), { x: to.x + to.w / 2, y: to.y + to.h / 2 });
  return { ...to, x: middle.x - to.w / 2, y: middle.y - to.h / 2 };
}
