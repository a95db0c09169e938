import type { Box } from './box';
import { united } from './intervals';
import type { Outline } from './outline';

/** Distances from an outline on its four sides, points. */
export interface StandOff {
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  readonly left: number;
}

/** Where text runs beside an exclusion (`wrap-flow` of CSS Exclusions 1: both, start, end, maximum, clear). */
export type Flow = 'both' | 'left' | 'right' | 'wider' | 'clear';

/**
 * An area that text keeps out of, in the coordinates of a spread (points).
 *
 * The terms are those of CSS Exclusions 1 (`wrap-flow`) and CSS Shapes 1 (`shape-margin`): the outline is widened by
 * the stand-off with round joins, which is the Minkowski sum of the outline with a disc; where the sides differ, with
 * a disc whose quarters are those of four ellipses.
 */
export interface Exclusion {
  readonly outline: Outline;
  readonly standOff: StandOff;
  readonly flow: Flow;
  /** `union`: inside is what any ring surrounds, so that holes are filled; `evenOdd`: what an odd number does. */
  readonly inside: 'union' | 'evenOdd';
  /** A panel's box: text that lies wholly on it is not kept away by it. */
  readonly ground?: Box | undefined;
  /** Box around the widened outline, for passing over what is far away. */
  readonly reach: Box;
}

/** @param outline closed rings in spread coordinates */
export function exclusion(
  outline: Outline,
  standOff: StandOff,
  flow: Flow,
  around: Box,
  inside: Exclusion['inside'] = 'union',
): Exclusion {
  const { top, right, bottom, left } = standOff;
  const reach = { x: around.x - left, y: around.y - top, w: around.w + left + right, h: around.h + top + bottom };
  return { outline, standOff, flow, inside, reach };
}

/** What an exclusion takes from a line of a column that reaches from `left` to `right`, by the way text is to run beside it. */
export function takenIn(of: Exclusion, y0: number, y1: number, left: number, right: number): number[] {
  const taken = takenBy(of, y0, y1);
  if (taken.length === 0 || of.flow === 'both' || of.flow === 'clear') return taken;
  const from = taken[0]!;
  const to = taken.at(-1)!;
  if (to <= left || from >= right) return taken;
  const onLeft = of.flow === 'left' || (of.flow === 'wider' && from - left >= right - to);
  return onLeft ? [from, Infinity] : [-Infinity, to];
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
  const { outline, standOff } = of;
  if (y1 <= of.reach.y || y0 >= of.reach.y + of.reach.h) return [];
  if (of.flow === 'clear') return [-Infinity, Infinity];
  const pairs: number[] = [];
  const crossings: number[] = [];
  const inside = () => {
    crossings.sort((a, b) => a - b);
    for (let i = 0; i + 1 < crossings.length; i += 2) pairs.push(crossings[i]!, crossings[i + 1]!);
    crossings.length = 0;
  };
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
      capsule(ax, ay, bx, by, standOff, y0, y1, pairs);
    }
    if (of.inside === 'union') inside();
  }
  inside();
  return united(pairs);
}

/** Reach to a side of a point that lies `d` above or below the band, when the stand-off there is `down` and at its level `across`. */
const across = (d: number, down: number, level: number): number =>
  d <= 0 ? level : down > 0 ? level * Math.sqrt(Math.max(0, 1 - (d / down) ** 2)) : 0;

/**
 * Adds the x interval of (segment a–b widened by the stand-off) within the band y0…y1. Requires ay ≤ by.
 *
 * A point above the band reaches it by the stand-off below it, one below the band by the stand-off above it. Along a
 * segment that slopes by s = dx/dy the reach x ± r·√(1 − (d/q)²), q that stand-off and r the one to the side, is
 * greatest where its derivative vanishes: at d = q·k/√(1 + k²) with k = |s|·q/r. It is concave between that point and
 * the ends, so they are all there is to look at. With one stand-off for all sides this is the disc.
 */
function capsule(ax: number, ay: number, bx: number, by: number, off: StandOff, y0: number, y1: number, pairs: number[]): void {
  const { top, right, bottom, left } = off;
  if (by < y0 - bottom || ay > y1 + top) return;
  const slope = by > ay ? (bx - ax) / (by - ay) : 0;
  let low = Infinity;
  let high = -Infinity;
  const look = (x: number, y: number) => {
    const above = y0 - y;
    const below = y - y1;
    if (above > bottom || below > top) return;
    const d = above > 0 ? above : below > 0 ? below : 0;
    const down = above > 0 ? bottom : top;
    const toLeft = x - across(d, down, left);
    const toRight = x + across(d, down, right);
    if (toLeft < low) low = toLeft;
    if (toRight > high) high = toRight;
  };
  look(ax, ay);
  look(bx, by);
  if (by > ay) {
    const at = (y: number) => {
      if (y > ay && y < by) look(ax + slope * (y - ay), y);
    };
    at(y0);
    at(y1);
    at(y0 - bottom);
    at(y1 + top);
    for (const side of left === right ? [left] : [left, right]) {
      if (side <= 0) continue;
      at(y0 - steepest(slope, bottom, side));
      at(y1 + steepest(slope, top, side));
    }
  }
  if (low <= high) pairs.push(low, high);
}

function steepest(slope: number, down: number, side: number): number {
  const k = (Math.abs(slope) * down) / side;
  return (down * k) / Math.sqrt(1 + k * k);
}
