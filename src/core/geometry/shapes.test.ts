import fc from 'fast-check';
import polygonClipping, { type MultiPolygon, type Ring } from 'polygon-clipping';
import { describe, expect, it } from 'vitest';
import { doubleArea, type Outline } from './outline';
import { combined, type Combining, grownOutline, lineArea, untangled } from './shapes';

/** The area inside an outline by the even–odd rule, whose rings do not cross. */
const areaOf = (outline: Outline): number => Math.abs(outline.reduce((sum, ring) => sum + doubleArea(ring), 0)) / 2;

/** A ring about a middle whose points lie at random distances from it: it does not cross itself. */
const star = (points: number) =>
  fc
    .record({
      x: fc.integer({ min: -60, max: 60 }),
      y: fc.integer({ min: -60, max: 60 }),
      radii: fc.array(fc.integer({ min: 20, max: 100 }), { minLength: points, maxLength: points }),
    })
    .map(({ x, y, radii }) =>
      radii.flatMap((r, i) => {
        const angle = (2 * Math.PI * i) / radii.length;
        return [x + r * Math.cos(angle), y + r * Math.sin(angle)];
      }),
    );

const pairs = (ring: readonly number[]): Ring =>
  Array.from({ length: ring.length / 2 }, (_, i) => [ring[2 * i]!, ring[2 * i + 1]!] as [number, number]);

const areaByOther = (shapes: MultiPolygon): number =>
  shapes.reduce(
    (sum, [outer, ...holes]) =>
      sum + Math.abs(doubleArea(outer!.flat())) / 2 - holes.reduce((a, hole) => a + Math.abs(doubleArea(hole.flat())) / 2, 0),
    0,
  );

const OTHERS: Readonly<Record<Combining, (a: Ring, b: Ring) => MultiPolygon>> = {
  join: (a, b) => polygonClipping.union([a], [b]),
  subtract: (a, b) => polygonClipping.difference([a], [b]),
  intersect: (a, b) => polygonClipping.intersection([a], [b]),
};

describe('outlines put together', () => {
  // Against a second library, polygon-clipping (Martinez, Rueda and Feito, 2009), by area.
  it.each(Object.keys(OTHERS) as Combining[])('%s as another library has them', (how) => {
    fc.assert(
      fc.property(star(14), star(9), (a, b) => {
        const expected = areaByOther(OTHERS[how](pairs(a), pairs(b)));
        // Figures are whole thousandths: along edges of some thousand points that is a few points of area.
        expect(Math.abs(areaOf(combined(how, [a], [b])) - expected)).toBeLessThan(2 + expected * 1e-4);
      }),
      // The same pairs every time: of ten thousand others, the other library gives up on one or two.
      { numRuns: 200, seed: 5 },
    );
  });

  it('of 2,000 points each are put together all the same', () => {
    const ring = (x: number) =>
      Array.from({ length: 2000 }, (_, i) => (2 * Math.PI * i) / 2000).flatMap((angle) => {
        const r = 100 + 12 * Math.sin(40 * angle);
        return [x + r * Math.cos(angle), r * Math.sin(angle)];
      });
    const [a, b] = [ring(0), ring(70)];
    const both = areaOf(combined('join', [a], [b])) + areaOf(combined('intersect', [a], [b]));
    expect(both).toBeCloseTo(areaOf([a]) + areaOf([b]), -1);
  });

  it('mend rings that cross themselves, by the even–odd rule', () => {
    // A pentagram is hollow in its middle: what is left are five points.
    const pentagram = [0, 2, 4, 1, 3].flatMap((i) => [
      100 * Math.cos((2 * Math.PI * i) / 5 - Math.PI / 2),
      100 * Math.sin((2 * Math.PI * i) / 5 - Math.PI / 2),
    ]);
    expect(untangled([pentagram])).toHaveLength(5);
  });
});

describe('grown outlines', () => {
  it('of a square are squares, and of a circle circles', () => {
    const square = [0, 0, 100, 0, 100, 100, 0, 100];
    expect(areaOf(grownOutline([square], 10))).toBeCloseTo(120 * 120, 0);
    expect(areaOf(grownOutline([square], -10))).toBeCloseTo(80 * 80, 0);
    expect(grownOutline([square], -50)).toEqual([]);
    const circle = Array.from({ length: 720 }, (_, i) => (Math.PI * i) / 360).flatMap((angle) => [
      100 * Math.cos(angle),
      100 * Math.sin(angle),
    ]);
    expect(areaOf(grownOutline([circle], 20)) / (Math.PI * 120 * 120)).toBeCloseTo(1, 3);
  });

  // Against polygon-clipping: the outline with a strip along each of its sides, and the tip of each corner that points outwards.
  it('have the area that another library puts together', () => {
    const blunt = fc
      .array(fc.integer({ min: 70, max: 100 }), { minLength: 9, maxLength: 9 })
      .map((radii) =>
        radii.flatMap((r, i) => [r * Math.cos((2 * Math.PI * i) / radii.length), r * Math.sin((2 * Math.PI * i) / radii.length)]),
      );
    fc.assert(
      fc.property(blunt, fc.integer({ min: 1, max: 12 }), (ring, by) => {
        const points = pairs(ring);
        const n = points.length;
        const at = (i: number) => points[(i + n) % n]!;
        /** Outwards, off the side that leads from a point to the next. */
        const off = (i: number): readonly [number, number] => {
          const [[ax, ay], [bx, by_]] = [at(i), at(i + 1)];
          const long = Math.hypot(bx - ax, by_ - ay);
          return [(by_ - ay) / long, -(bx - ax) / long];
        };
        const parts: Ring[] = [];
        for (let i = 0; i < n; i++) {
          const [a, b, [nx, ny], [px, py]] = [at(i), at(i + 1), off(i), off(i - 1)];
          parts.push([a, [a[0] + nx * by, a[1] + ny * by], [b[0] + nx * by, b[1] + ny * by], b]);
          if (px * ny - py * nx <= 1e-9) continue;
          const reach = by / (1 + px * nx + py * ny);
          const tip: [number, number] = [a[0] + (px + nx) * reach, a[1] + (py + ny) * reach];
          parts.push([a, [a[0] + px * by, a[1] + py * by], tip, [a[0] + nx * by, a[1] + ny * by]]);
        }
        const whole = polygonClipping.union([points], ...parts.map((part): [Ring] => [part]));
        const expected = whole.reduce((sum, [outer]) => sum + Math.abs(doubleArea(outer!.flat())) / 2, 0);
        expect(areaOf(grownOutline([ring], by)) / expected).toBeCloseTo(1, 4);
      }),
      { numRuns: 100, seed: 5 },
    );
  });

  it('of lines have the area of a line so wide', () => {
    expect(areaOf(lineArea([[0, 0, 100, 0]], 4))).toBeCloseTo(400, 0);
    // A right angle: two legs, and the corner between them once.
    expect(areaOf(lineArea([[0, 0, 100, 0, 100, 50]], 4))).toBeCloseTo(4 * 100 + 4 * 50, 0);
  });
});
