import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sidesOf } from '../records/frame';
import { exclusion, takenBy } from './exclusion';
import { freeOf, united } from './intervals';
import { boxOutline, outlineBox, outlineContains, simplified, doubleArea, laidOver, type Outline } from './outline';

const make = (outline: Outline, standOff: number, flow: 'both' | 'clear' = 'both') =>
  exclusion(outline, sidesOf(standOff), flow, outlineBox(outline)!);

describe('what an exclusion takes from a line', () => {
  const square = boxOutline({ x: 100, y: 100, w: 50, h: 40 });

  it('is the box itself without stand-off', () => {
    expect(takenBy(make(square, 0), 110, 120)).toEqual([100, 150]);
    expect(takenBy(make(square, 0), 80, 99.9)).toEqual([]);
    expect(takenBy(make(square, 0), 140.1, 150)).toEqual([]);
  });

  it('is wider by the stand-off beside it, and rounds the corners', () => {
    expect(takenBy(make(square, 10), 110, 120)).toEqual([90, 160]);
    // 6 pt above the box the disc of 10 pt reaches 8 pt to the side: 6² + 8² = 10².
    const [from, to] = takenBy(make(square, 10), 80, 94);
    expect(from).toBeCloseTo(92, 9);
    expect(to).toBeCloseTo(158, 9);
    expect(takenBy(make(square, 10), 70, 89.9)).toEqual([]);
  });

  it('looks at the whole band and not at one height', () => {
    const diamond: Outline = [[50, 0, 100, 50, 50, 100, 0, 50]];
    expect(takenBy(make(diamond, 0), 20, 30)).toEqual([20, 80]);
    expect(takenBy(make(diamond, 0), 45, 60)).toEqual([0, 100]);
  });

  it('leaves the room between two arms, and none inside a filled ring', () => {
    const fork: Outline = [[0, 0, 20, 0, 20, 80, 80, 80, 80, 0, 100, 0, 100, 100, 0, 100]];
    expect(takenBy(make(fork, 0), 10, 20)).toEqual([0, 20, 80, 100]);
    expect(takenBy(make(fork, 5), 10, 20)).toEqual([-5, 25, 75, 105]);
    expect(takenBy(make(fork, 0), 70, 90)).toEqual([0, 100]);
  });

  it('takes the whole line when text is to clear it', () => {
    expect(takenBy(make(square, 10, 'clear'), 95, 105)).toEqual([-Infinity, Infinity]);
    expect(takenBy(make(square, 10, 'clear'), 151, 160)).toEqual([]);
  });

  // The definition itself: a point is taken when a disc of the stand-off around it meets the outline.
  it('agrees with the definition of the widened outline, point by point', () => {
    const ring = fc.array(fc.tuple(fc.integer({ min: 0, max: 200 }), fc.integer({ min: 0, max: 200 })), {
      minLength: 3,
      maxLength: 8,
    });
    fc.assert(
      fc.property(
        ring,
        fc.integer({ min: 0, max: 30 }),
        fc.integer({ min: -20, max: 200 }),
        fc.integer({ min: 1, max: 20 }),
        (points, r, y0, h) => {
          const outline = [points.flat()];
          const taken = takenBy(make(outline, r), y0, y0 + h);
          for (let x = -40; x <= 240; x += 3.7) {
            const inside = pairsOf(taken).some(([from, to]) => x >= from && x <= to);
            const nearest = nearestInBand(outline, x, y0, y0 + h);
            if (nearest <= r - 0.3) expect(inside).toBe(true);
            if (nearest >= r + 0.3) expect(inside).toBe(false);
          }
        },
      ),
      { numRuns: 150, seed: 14 },
    );
  });
});

describe('stand-offs that differ by side', () => {
  const sides = { top: 6, right: 20, bottom: 12, left: 4 };
  const of = (outline: Outline) => exclusion(outline, sides, 'both', outlineBox(outline)!);

  it('keep text off each side by its own, with corners that are quarters of ellipses', () => {
    const square = of(boxOutline({ x: 100, y: 100, w: 50, h: 40 }));
    expect(takenBy(square, 110, 120)).toEqual([96, 170]);
    expect(takenBy(square, 80, 93.9)).toEqual([]);
    expect(takenBy(square, 152.1, 160)).toEqual([]);
    // 6 of the 12 pt below: the ellipses are √(1 − ¼) of their width out.
    const [from, to] = takenBy(square, 146, 160);
    expect(from).toBeCloseTo(100 - 4 * Math.sqrt(0.75), 9);
    expect(to).toBeCloseTo(150 + 20 * Math.sqrt(0.75), 9);
  });

  // The definition: a point is taken when some point of the outline lies within the ellipse quarter towards it.
  it('agree with the definition, point by point', () => {
    const ring = fc.array(fc.tuple(fc.integer({ min: 0, max: 200 }), fc.integer({ min: 0, max: 200 })), {
      minLength: 3,
      maxLength: 7,
    });
    const side = fc.integer({ min: 1, max: 30 });
    fc.assert(
      fc.property(
        ring,
        fc.record({ top: side, right: side, bottom: side, left: side }),
        fc.integer({ min: -20, max: 200 }),
        fc.integer({ min: 1, max: 20 }),
        (points, own, y0, h) => {
          const outline = [points.flat()];
          const taken = takenBy(exclusion(outline, own, 'both', outlineBox(outline)!), y0, y0 + h);
          for (let x = -40; x <= 240; x += 9.3) {
            const inside = pairsOf(taken).some(([from, to]) => x >= from && x <= to);
            const reach = reachInBand(outline, own, x, y0, y0 + h);
            if (reach < 0.95) expect(inside).toBe(true);
            if (reach > 1.05) expect(inside).toBe(false);
          }
        },
      ),
      { numRuns: 60, seed: 15 },
    );
  });
});

/** The least of ((dx/side)² + (dy/side)²)½ from a point of the vertical stretch at x to the outline, 0 inside it; by sampling. */
function reachInBand(
  outline: Outline,
  { top, right, bottom, left }: Parameters<typeof exclusion>[1],
  x: number,
  y0: number,
  y1: number,
): number {
  let best = Infinity;
  for (let y = y0; y <= y1; y += (y1 - y0) / 16) {
    if (outlineContains(outline, { x, y })) return 0;
    for (const ring of outline) {
      for (let i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2) {
        const n = Math.ceil(Math.hypot(ring[i]! - ring[j]!, ring[i + 1]! - ring[j + 1]!) / 0.7) + 1;
        for (let k = 0; k <= n; k++) {
          const dx = x - (ring[j]! + ((ring[i]! - ring[j]!) * k) / n);
          const dy = y - (ring[j + 1]! + ((ring[i + 1]! - ring[j + 1]!) * k) / n);
          best = Math.min(best, Math.hypot(dx / (dx > 0 ? right : left), dy / (dy > 0 ? bottom : top)));
        }
      }
    }
  }
  return best;
}

const pairsOf = (flat: readonly number[]): [number, number][] =>
  Array.from({ length: flat.length / 2 }, (_, i) => [flat[2 * i]!, flat[2 * i + 1]!]);

/** Distance from the outline (0 inside it) of the point of the vertical stretch at x that is nearest to it, by sampling. */
function nearestInBand(outline: Outline, x: number, y0: number, y1: number): number {
  let best = Infinity;
  for (let y = y0; y <= y1; y += (y1 - y0) / 60) {
    if (outlineContains(outline, { x, y })) return 0;
    for (const ring of outline) {
      for (let i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2) {
        const [ax, ay, bx, by] = [ring[j]!, ring[j + 1]!, ring[i]!, ring[i + 1]!];
        const length2 = (bx - ax) ** 2 + (by - ay) ** 2;
        const t = length2 === 0 ? 0 : Math.max(0, Math.min(1, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / length2));
        best = Math.min(best, Math.hypot(x - ax - t * (bx - ax), y - ay - t * (by - ay)));
      }
    }
  }
  return best;
}

describe('intervals', () => {
  it('join where they touch or overlap', () => {
    expect(united([5, 8, 0, 2, 2, 3, 7, 9])).toEqual([0, 3, 5, 9]);
    expect(united([])).toEqual([]);
  });

  it('leave free what is between them, if it is worth a line', () => {
    expect(freeOf(0, 100, [20, 30, 60, 70], 5)).toEqual([0, 20, 30, 60, 70, 100]);
    expect(freeOf(0, 100, [20, 30, 33, 70], 5)).toEqual([0, 20, 70, 100]);
    expect(freeOf(0, 100, [-10, 110], 5)).toEqual([]);
    expect(freeOf(0, 100, [-10, 5, 95, 120], 5)).toEqual([5, 95]);
  });
});

describe('an outline', () => {
  it('is laid over a box', () => {
    expect(laidOver([[0, 0, 1, 0, 1, 1]], { x: 10, y: 20, w: 100, h: 50 })).toEqual([[10, 20, 110, 20, 110, 70]]);
  });

  it('stays within the tolerance when it is simplified, and keeps its corners', () => {
    const ring: number[] = [];
    for (let x = 0; x <= 100; x++) ring.push(x, 0);
    for (let y = 1; y <= 100; y++) ring.push(100, y);
    for (let x = 99; x >= 0; x--) ring.push(x, 100);
    for (let y = 99; y >= 1; y--) ring.push(0, y);
    const corners = simplified(ring, 0.5);
    expect(corners.length / 2).toBe(4);
    expect(Math.abs(doubleArea(corners)) / 2).toBe(10_000);
    const circle = Array.from({ length: 720 }, (_, i) =>
      i % 2 === 0 ? 100 * Math.cos((i * Math.PI) / 720) : 100 * Math.sin(((i - 1) * Math.PI) / 720),
    );
    const fewer = simplified(circle, 1);
    expect(fewer.length).toBeLessThan(80);
    for (let i = 0; i < fewer.length; i += 2) expect(Math.hypot(fewer[i]!, fewer[i + 1]!)).toBeCloseTo(100, 6);
  });
});
