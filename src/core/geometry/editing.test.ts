import { describe, expect, it } from 'vitest';
import { nearest, smoothed, withoutPoint, withPointAt, withPointBehind } from './editing';
import { doubleArea, type Outline } from './outline';

const SQUARE: Outline = [[0, 0, 1, 0, 1, 1, 0, 1]];

describe('an outline that is mended', () => {
  it('has a point elsewhere, one more, one less', () => {
    expect(withPointAt(SQUARE, { ring: 0, point: 1 }, { x: 0.8, y: 0.1 })).toEqual([[0, 0, 0.8, 0.1, 1, 1, 0, 1]]);
    expect(withPointAt(SQUARE, { ring: 0, point: 1 }, { x: 99, y: -99 })[0]!.slice(2, 4)).toEqual([2, -1]);
    expect(withPointBehind(SQUARE, { ring: 0, point: 3 }, { x: 0, y: 0.5 })).toEqual([[0, 0, 1, 0, 1, 1, 0, 1, 0, 0.5]]);
    expect(withoutPoint(SQUARE, { ring: 0, point: 0 })).toEqual([[1, 0, 1, 1, 0, 1]]);
  });

  it('never loses its inside', () => {
    const triangle: Outline = [[0, 0, 1, 0, 1, 1]];
    expect(withoutPoint(triangle, { ring: 0, point: 0 })).toBe(triangle);
    expect(withoutPoint([...triangle, ...SQUARE], { ring: 0, point: 0 })).toEqual(SQUARE);
  });

  it('finds the point and the side that are nearest', () => {
    expect(nearest(SQUARE, { x: 0.9, y: 0.05 })).toEqual({ point: { ring: 0, point: 1 }, side: { ring: 0, point: 0 } });
    expect(nearest(SQUARE, { x: -0.2, y: 0.4 })!.side).toEqual({ ring: 0, point: 3 });
    expect(nearest([], { x: 0, y: 0 })).toBeUndefined();
  });

  it('loses its corners when it is smoothed, and little of its area', () => {
    const [ring] = smoothed(SQUARE, 0.0005);
    for (let i = 0; i < ring!.length; i += 2)
      for (const [x, y] of [
        [0, 0],
        [1, 1],
      ])
        expect(Math.hypot(ring![i]! - x!, ring![i + 1]! - y!)).toBeGreaterThan(0.15);
    // The first cut takes a triangle with legs of a quarter from four corners; the second, from eight corners of 135°, triangles
    // with legs of an eighth and of √2 sixteenths. (The curve they lead to, four parabolas, has 5/6 of the square.)
    expect(Math.abs(doubleArea(ring!) / 2)).toBeCloseTo(1 - 4 / 32 - 8 / 256, 6);
  });

  it('stays small however often it is smoothed', () => {
    let outline: Outline = [Array.from({ length: 400 }, (_, i) => (i % 2 === 0 ? Math.cos(i / 64) : Math.sin(i / 63)))];
    for (let i = 0; i < 12; i++) outline = smoothed(outline, 0);
    expect(outline[0]!.length).toBeLessThanOrEqual(4000);
  });
});
