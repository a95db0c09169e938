import type { Box } from './box';
import { united } from './intervals';
import type { Outline } from './outline';

/**
 * An area that text keeps out of, in the coordinates of a spread (points).
 *
 * The terms are those of CSS Exclusions 1 (`wrap-flow`) and CSS Shapes 1 (`shape-margin`): the outline is
 * widened by the stand-off with round joins, which is the Minkowski sum of the outline with a disc.
 */
export interface Exclusion {
  readonly outline: Outline;
  /** Radius of the disc the outline is widened by. */
  readonly standOff: number;
  /** Where text may run beside it: on both sides, or on neither (`clear`). */
  readonly flow: 'both' | 'clear';
  /** Box around the widened outline, for passing over what is far away. */
  readonly reach: Box;
}

/** @param outline closed rings in spread coordinates; @param standOff points, not negative */
export function exclusion(outline: Outline, standOff: number, flow: 'both' | 'clear', around: Box): Exclusion {
  return {
    outline,
    standOff,
    flow,
    reach: { x: around.x - standOff, y: around.y - standOff, w: around.w + 2 * standOff, h: around.h + 2 * standOff },
  };
}

/**
 * The stretches of x that an exclusion takes from a line whose text reaches from `y0` down to `y1`: the
 * projection of the widened outline, cut to that band, onto the x axis. Looking at the whole band and not at
 * one height is what keeps ascenders and descenders out of the picture.
 *
 * A point of the widened outline lies in the outline or within the stand-off of its border. So the projection
 * is the union of two: the inside of the outline along the band's top edge (every other inside point of the
 * band can move up or down, inside, until it meets the border or that edge), and for each border segment the
 * projection of the capsule around it, which is convex and so a single interval.
 *
 * @returns flat pairs in order and apart
 */
export function takenBy(of: Exclusion, y0: number, y1: number): number[] {
  const { outline, standOff: r } = of;
  if (y1 <= of.reach.y || y0 >= of.reach.y + of.reach.h) return [];
  if (of.flow === 'clear') return [-Infinity, Infinity];
  const pairs: number[] = [];
  const crossings: number[] = [];
  for (const ring of outline) {
    const n = ring.length;
    for (let i = 0, j = n - 2; i < n; j = i, i += 2) {
      let ax = ring[j]!;
      let ay = ring[j + 1]!;
      let bx = ring[i]!;
      let by = ring[i + 1]!;
      if (ay > by) {
        [ax, ay, bx, by] = [bx, by, ax, ay];
      }
      if (ay <= y0 && by > y0) crossings.push(ax + ((bx - ax) * (y0 - ay)) / (by - ay));
      capsule(ax, ay, bx, by, r, y0, y1, pairs);
    }
  }
  crossings.sort((a, b) => a - b);
  for (let i = 0; i + 1 < crossings.length; i += 2) pairs.push(crossings[i]!, crossings[i + 1]!);
  return united(pairs);
}

/**
 * Adds the x interval of (segment a–b widened by r) within the band y0…y1. Requires ay ≤ by.
 *
 * The right edge is the greatest of x(t) + sqrt(r² − d(t)²), with d the distance of the segment's point from
 * the band. Inside the band d is 0 and the greatest is at an end of the part inside. Outside, with the segment
 * sloping by s = dx/dy, the derivative vanishes where d = r·|s|/sqrt(1 + s²), towards the leaning side; between
 * that point and the ends the function is concave, so the ends and that point are all there is to look at.
 */
function capsule(ax: number, ay: number, bx: number, by: number, r: number, y0: number, y1: number, pairs: number[]): void {
  if (by < y0 - r || ay > y1 + r) return;
  const slope = by > ay ? (bx - ax) / (by - ay) : 0;
  let low = Infinity;
  let high = -Infinity;
  const look = (x: number, y: number) => {
    const d = y < y0 ? y0 - y : y > y1 ? y - y1 : 0;
    if (d > r) return;
    const reach = Math.sqrt(r * r - d * d);
    if (x - reach < low) low = x - reach;
    if (x + reach > high) high = x + reach;
  };
  look(ax, ay);
  look(bx, by);
  if (by > ay) {
    const steep = (r * Math.abs(slope)) / Math.sqrt(1 + slope * slope);
    for (const y of [y0, y1, y0 - steep, y1 + steep, y0 - r, y1 + r]) {
      if (y > ay && y < by) look(ax + slope * (y - ay), y);
    }
  }
  if (low <= high) pairs.push(low, high);
}
