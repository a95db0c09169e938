import { Clipper, ClipType, EndType, FillRule, JoinType, type Paths64 } from 'clipper2-ts';
import type { Outline } from './outline';

/**
 * What becomes of outlines that are put together, taken from one another, or grown; by Clipper2, which works in whole figures:
 * thousandths of a point. What comes back has no ring that crosses itself or another.
 */
const SCALE = 1000;

const paths = (outline: Outline): Paths64 =>
  outline.map((ring) => {
    const path = [];
    for (let i = 0; i + 1 < ring.length; i += 2)
      path.push({ x: Math.round(ring[i]! * SCALE), y: Math.round(ring[i + 1]! * SCALE) });
    return path;
  });

const outline = (from: Paths64): Outline => from.map((path) => path.flatMap(({ x, y }) => [x / SCALE, y / SCALE]));

const OPERATIONS = { join: ClipType.Union, subtract: ClipType.Difference, intersect: ClipType.Intersection } as const;
export type Combining = keyof typeof OPERATIONS;

/** An outline joined with another one, without it, or only where both are; inside is by the even–odd rule. */
export const combined = (how: Combining, a: Outline, b: Outline): Outline =>
  outline(Clipper.booleanOp(OPERATIONS[how], paths(a), paths(b), FillRule.EvenOdd));

/** The same area with rings that cross neither themselves nor one another. */
export const untangled = (of: Outline): Outline => outline(Clipper.union(paths(of), FillRule.EvenOdd));

/** Farther than this a mitred corner does not reach, in times the distance (the limit that PDF and SVG stroke with, 10 and 4, lie about it). */
const MITRE = 4;
/** A round corner is taken in pieces that stay so close to it, thousandths of a point. */
const ARC = 20;

/** The outline of what lies within `by` of it; negative: of what lies so far inside. */
export const grownOutline = (of: Outline, by: number): Outline =>
  outline(
    Clipper.inflatePaths(Clipper.union(paths(of), FillRule.EvenOdd), by * SCALE, JoinType.Miter, EndType.Polygon, MITRE, ARC),
  );

/** The area of lines drawn along open ways, `weight` wide. */
export const lineArea = (ways: Outline, weight: number): Outline =>
  outline(Clipper.inflatePaths(paths(ways), (weight / 2) * SCALE, JoinType.Miter, EndType.Butt, MITRE, ARC));

/** The area that any of several outlines covers. */
export const joinedAreas = (all: readonly Outline[]): Outline => outline(Clipper.union(paths(all.flat()), FillRule.NonZero));
