import { describe, expect, it } from 'vitest';
import { around, between, contains, grown, overlaps, shifted } from './box';

describe('boxes', () => {
  const a = { x: 0, y: 0, w: 10, h: 10 };

  it('overlap when they share more than an edge', () => {
    expect(overlaps(a, { x: 10, y: 0, w: 5, h: 5 })).toBe(false);
    expect(overlaps(a, { x: 9, y: 9, w: 5, h: 5 })).toBe(true);
    expect(overlaps(a, { x: 9.9, y: 0, w: 5, h: 5 }, 0.5)).toBe(false);
  });

  it('are made between points in any order, moved, grown and put around one another', () => {
    expect(between({ x: 8, y: 1 }, { x: 2, y: 5 })).toEqual({ x: 2, y: 1, w: 6, h: 4 });
    expect(shifted(a, 3, -2)).toEqual({ x: 3, y: -2, w: 10, h: 10 });
    expect(grown(a, 2)).toEqual({ x: -2, y: -2, w: 14, h: 14 });
    expect(around([a, { x: -5, y: 4, w: 2, h: 20 }])).toEqual({ x: -5, y: 0, w: 15, h: 24 });
    expect(around([])).toBeUndefined();
    expect(contains(a, { x: 10, y: 10 })).toBe(true);
    expect(contains(a, { x: 10.1, y: 10 })).toBe(false);
  });
});
