import { describe, expect, it } from 'vitest';
import { doubleArea, outlineContains, outlineBox } from '../geometry/outline';
import { effectiveResolution, placedPicture } from './placing';
import { TRACE_TOLERANCE, traceAlpha, traceBackground } from './trace';

const SIDE = 200;

/** A picture made of a rule: 255 where it holds. */
const drawn = (inside: (x: number, y: number) => boolean) => {
  const values = new Uint8Array(SIDE * SIDE);
  for (let y = 0; y < SIDE; y++) for (let x = 0; x < SIDE; x++) if (inside(x + 0.5, y + 0.5)) values[y * SIDE + x] = 255;
  return { width: SIDE, height: SIDE, values };
};

describe('an outline from transparency', () => {
  it('follows a disc within the stated error', () => {
    const [ring, ...others] = traceAlpha(drawn((x, y) => Math.hypot(x - 100, y - 100) < 60))!;
    expect(others).toEqual([]);
    for (let i = 0; i < ring!.length; i += 2) {
      const distance = Math.hypot(ring![i]! * SIDE - 100, ring![i + 1]! * SIDE - 100);
      expect(Math.abs(distance - 60)).toBeLessThan(TRACE_TOLERANCE * SIDE + 1);
    }
    expect(Math.abs(doubleArea(ring!.map((v) => v * SIDE))) / 2).toBeCloseTo(Math.PI * 3600, -3);
  });

  it('fills holes, keeps parts apart and lets specks go', () => {
    const outline = traceAlpha(
      drawn(
        (x, y) =>
          (Math.hypot(x - 50, y - 100) < 40 && Math.hypot(x - 50, y - 100) > 20) ||
          (x > 120 && x < 180 && y > 80 && y < 120) ||
          (x < 2 && y < 2),
      ),
    )!;
    expect(outline).toHaveLength(2);
    expect(outlineContains(outline, { x: 0.25, y: 0.5 })).toBe(true);
    expect(outlineContains(outline, { x: 0.5, y: 0.5 })).toBe(false);
  });

  it('closes shapes at the edge of the picture', () => {
    const box = outlineBox(traceAlpha(drawn((x) => x < 100))!)!;
    expect(box.x).toBeCloseTo(0, 1);
    expect(box.w).toBeCloseTo(0.5, 1);
    expect(box.h).toBeCloseTo(1, 1);
  });

  it('is not there when all is opaque, or nothing', () => {
    expect(traceAlpha(drawn(() => true))).toBeUndefined();
    expect(traceAlpha(drawn(() => false))).toBeUndefined();
  });
});

describe('an outline from a plain background', () => {
  const coloured = (of: (x: number, y: number) => number) => {
    const rgb = new Uint8Array(3 * SIDE * SIDE);
    for (let y = 0; y < SIDE; y++) for (let x = 0; x < SIDE; x++) rgb.fill(of(x, y), 3 * (y * SIDE + x), 3 * (y * SIDE + x) + 3);
    return { width: SIDE, height: SIDE, rgb };
  };

  it('is what stands before it, with what is white inside', () => {
    const outline = traceBackground(
      coloured((x, y) =>
        x >= 60 && x < 140 && y >= 40 && y < 160 ? (x >= 90 && x < 110 && y >= 90 && y < 110 ? 255 : 30) : 252,
      ),
    )!;
    expect(outline).toHaveLength(1);
    const box = outlineBox(outline)!;
    expect(box.x).toBeCloseTo(0.3, 1);
    expect(box.w).toBeCloseTo(0.4, 1);
    expect(outlineContains(outline, { x: 0.5, y: 0.5 })).toBe(true);
  });

  it('is not there when the border is not plain', () => {
    expect(traceBackground(coloured((x, y) => (x * 7 + y * 13) % 256))).toBeUndefined();
    expect(traceBackground(coloured(() => 200))).toBeUndefined();
  });
});

describe('a picture in its frame', () => {
  const picture = { width: 3000, height: 2000 };
  const box = { x: 10, y: 20, w: 100, h: 100 };

  it('covers it, or shows whole, in proportion', () => {
    expect(placedPicture(box, picture, { fit: 'fill', focus: { x: 0.5, y: 0.5 } })).toEqual({ x: -15, y: 20, w: 150, h: 100 });
    expect(placedPicture(box, picture, { fit: 'fill', focus: { x: 0, y: 0 } })).toEqual({ x: 10, y: 20, w: 150, h: 100 });
    const whole = placedPicture(box, picture, { fit: 'fit', focus: { x: 0.5, y: 0.5 } });
    expect(whole.w).toBeCloseTo(100, 9);
    expect(whole.h).toBeCloseTo(66.667, 3);
    expect(whole.y).toBeCloseTo(36.667, 3);
  });

  it('has the resolution of its pixels over its inches', () => {
    expect(effectiveResolution(picture, { x: 0, y: 0, w: 720, h: 480 })).toBe(300);
  });
});
