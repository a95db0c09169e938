import type { Box, Point } from '@/core/geometry/box';
import type { Size } from './useSize';

/** Quarter turns of the desk, degrees clockwise: a page that lies sideways stands upright on it. */
export const TURNS = [0, 90, 180, 270] as const;
export type Turn = (typeof TURNS)[number];

/** Cosine and sine of each: whole numbers, so that nothing is off by a hair. */
const PARTS: Readonly<Record<Turn, readonly [cos: number, sin: number]>> = { 0: [1, 0], 90: [0, 1], 180: [-1, 0], 270: [0, -1] };

const isAcross = (turn: Turn): boolean => turn === 90 || turn === 270;

/** How large what is turned is, for all of the ground to be covered by it. */
export const turnedSize = ({ width, height }: Size, turn: Turn): Size =>
  isAcross(turn) ? { width: height, height: width } : { width, height };

/** The turn that comes after so many quarters. */
export const nextTurn = (turn: Turn, quarters: number): Turn => TURNS[(TURNS.indexOf(turn) + quarters + 4) % 4]!;

/** A way on the ground, as it goes on what is turned. */
export function wayOn(turn: Turn, { x, y }: Point): Point {
  const [cos, sin] = PARTS[turn];
  return { x: cos * x + sin * y || 0, y: cos * y - sin * x || 0 };
}

/** A point of the ground, on what is turned about its middle. */
export function pointOn(turn: Turn, ground: Size, { x, y }: Point): Point {
  const own = turnedSize(ground, turn);
  const way = wayOn(turn, { x: x - ground.width / 2, y: y - ground.height / 2 });
  return { x: way.x + own.width / 2, y: way.y + own.height / 2 };
}

/** Where a box on what is turned lies on the ground. */
export function boxOnGround(turn: Turn, ground: Size, { x, y, w, h }: Box): Box {
  const own = turnedSize(ground, turn);
  const [cos, sin] = PARTS[turn];
  const centre = { x: x + w / 2 - own.width / 2, y: y + h / 2 - own.height / 2 };
  const middle = {
    x: cos * centre.x - sin * centre.y + ground.width / 2,
    y: sin * centre.x + cos * centre.y + ground.height / 2,
  };
  const [wide, high] = isAcross(turn) ? [h, w] : [w, h];
  return { x: middle.x - wide / 2, y: middle.y - high / 2, w: wide, h: high };
}
