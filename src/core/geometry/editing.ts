import type { Point } from './box';
import { type Outline, simplified } from './outline';

/** Editing outlines point by point. A point is named by its ring and its place in it, from 0. */
export interface PointOf {
  readonly ring: number;
  readonly point: number;
}

/** A closed ring has at least so many corners. */
const LEAST = 3;

/** The most values of a ring that smoothing may leave. */
const MOST = 2000;

const changed = (outline: Outline, ring: number, change: (points: number[]) => number[]): Outline =>
  outline.map((each, i) => (i === ring ? change([...each]) : each));

/** How far beyond its unit square an outline may go. */
const within = (value: number): number => Math.min(2, Math.max(-1, value));

/** The outline with a point elsewhere. */
export const withPointAt = (outline: Outline, { ring, point }: PointOf, { x, y }: Point): Outline =>
  changed(outline, ring, (points) => {
    points[2 * point] = within(x);
    points[2 * point + 1] = within(y);
    return points;
  });

/** The outline with another point on the line behind one. */
export const withPointBehind = (outline: Outline, { ring, point }: PointOf, { x, y }: Point): Outline =>
  changed(outline, ring, (points) => {
    points.splice(2 * point + 2, 0, within(x), within(y));
    return points;
  });

/** The outline without a point; a ring that would have no inside goes, but never the last. */
export function withoutPoint(outline: Outline, { ring, point }: PointOf): Outline {
  const own = outline[ring]!;
  if (own.length / 2 > LEAST)
    return changed(outline, ring, (points) => {
      points.splice(2 * point, 2);
      return points;
    });
  return outline.length > 1 ? outline.filter((_, i) => i !== ring) : outline;
}

/**
 * The outline with its corners cut, twice.
 *
 * Source: Chaikin, "An algorithm for high-speed curve generation", Computer Graphics and Image Processing 3 (1974): each side
 * gives way to its second and third quarters.
 *
 * @param tolerance what points may be left out within
 */
export function smoothed(outline: Outline, tolerance: number): Outline {
  return outline.map((ring) => {
    let points: number[] = [...ring];
    for (let pass = 0; pass < 2 && 2 * points.length <= MOST; pass++) {
      const next: number[] = [];
      for (let i = 0, n = points.length; i < n; i += 2) {
        const [x0, y0, x1, y1] = [points[i]!, points[i + 1]!, points[(i + 2) % n]!, points[(i + 3) % n]!];
        next.push(0.75 * x0 + 0.25 * x1, 0.75 * y0 + 0.25 * y1, 0.25 * x0 + 0.75 * x1, 0.25 * y0 + 0.75 * y1);
      }
      points = next;
    }
    return simplified(points, tolerance);
  });
}

/** The point of an outline that is nearest to a place, and the side behind which a new one would lie. */
export function nearest(outline: Outline, { x, y }: Point): { readonly point: PointOf; readonly side: PointOf } | undefined {
  let point: PointOf | undefined;
  let side: PointOf | undefined;
  let [toPoint, toSide] = [Infinity, Infinity];
  for (const [ring, points] of outline.entries()) {
    for (let i = 0, n = points.length; i < n; i += 2) {
      const [ax, ay, bx, by] = [points[i]!, points[i + 1]!, points[(i + 2) % n]!, points[(i + 3) % n]!];
      const d = Math.hypot(ax - x, ay - y);
      if (d < toPoint) [toPoint, point] = [d, { ring, point: i / 2 }];
      const long = (bx - ax) ** 2 + (by - ay) ** 2;
      const t = long === 0 ? 0 : Math.min(1, Math.max(0, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / long));
      const off = Math.hypot(ax + t * (bx - ax) - x, ay + t * (by - ay) - y);
      if (off < toSide) [toSide, side] = [off, { ring, point: i / 2 }];
    }
  }
  return point && side && { point, side };
}
