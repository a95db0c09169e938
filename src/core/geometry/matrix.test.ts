import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { composedWith, IDENTITY, inverse, mapped, mappedBox, type Matrix, rotation, translation } from './matrix';

const point = fc.record({
  x: fc.double({ min: -500, max: 500, noNaN: true }),
  y: fc.double({ min: -500, max: 500, noNaN: true }),
});
const turn = fc.tuple(fc.double({ min: -400, max: 400, noNaN: true }), point).map(([degrees, about]) => rotation(degrees, about));

describe('maps of the plane', () => {
  // The matrix of a rotation as SVG 1.1, 7.6, defines it: cos, sin, −sin, cos, 0, 0; y grows downwards, so it turns clockwise.
  it('turn clockwise, quarter turns without any error', () => {
    expect(rotation(90, { x: 0, y: 0 })).toEqual([0, 1, -1, 0, 0, 0]);
    expect(mapped(rotation(90, { x: 10, y: 10 }), { x: 20, y: 10 })).toEqual({ x: 10, y: 20 });
    expect(mapped(rotation(-90, { x: 10, y: 10 }), { x: 20, y: 10 })).toEqual({ x: 10, y: 0 });
    expect(mapped(rotation(540, { x: 10, y: 10 }), { x: 20, y: 15 })).toEqual({ x: 0, y: 5 });
    const { x, y } = mapped(rotation(30, { x: 0, y: 0 }), { x: 2, y: 0 });
    expect(x).toBeCloseTo(Math.sqrt(3), 12);
    expect(y).toBeCloseTo(1, 12);
  });

  it('follow one another, inner first, and are taken back by their inverse', () => {
    fc.assert(
      fc.property(turn, turn, point, point, (a, b, by, at) => {
        const both = composedWith(composedWith(a, translation(by.x, by.y)), b);
        const through = mapped(a, mapped(translation(by.x, by.y), mapped(b, at)));
        expect(mapped(both, at).x).toBeCloseTo(through.x, 6);
        expect(mapped(both, at).y).toBeCloseTo(through.y, 6);
        const back = mapped(inverse(both), through);
        expect(back.x).toBeCloseTo(at.x, 6);
        expect(back.y).toBeCloseTo(at.y, 6);
      }),
    );
    expect(composedWith(IDENTITY, rotation(17, { x: 1, y: 2 }))).toEqual(rotation(17, { x: 1, y: 2 }));
  });

  it('give the smallest upright box around a turned one', () => {
    const box = { x: 0, y: 0, w: 100, h: 40 };
    const turned = mappedBox(rotation(90, { x: 50, y: 20 }), box);
    expect(turned).toEqual({ x: 30, y: -30, w: 40, h: 100 });
    const slanted = mappedBox(rotation(45, { x: 50, y: 20 }) as Matrix, box);
    expect(slanted.w).toBeCloseTo(140 / Math.SQRT2, 9);
    expect(slanted.h).toBeCloseTo(140 / Math.SQRT2, 9);
    expect(mappedBox(undefined, box)).toBe(box);
  });
});
