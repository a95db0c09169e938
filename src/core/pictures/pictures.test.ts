import { describe, expect, it } from 'vitest';
import { chance } from '../../../demo/pictures/drawing';
import { pictureRecord } from '../../../tests/support/documents';
import { SCHEMAS } from '../records/schemas/index';
import { doubleArea, outlineContains, outlineBox } from '../geometry/outline';
import { inverse, mapped } from '../geometry/matrix';
import type { CropValues } from '../properties/crop';
import {
  cropValues,
  effectiveResolution,
  keptCrop,
  movedCrop,
  ownCrop,
  placedPicture,
  type PlacedPicture,
  tracedOn,
  zoomedCrop,
} from './placing';
import { TRACE_TOLERANCE, traceAlpha, traceBackground } from './trace';

function expectClose(a: PlacedPicture, b: PlacedPicture): void {
  for (const key of ['x', 'y', 'w', 'h'] as const) expect(a.box[key]).toBeCloseTo(b.box[key], 6);
  expect(a.matrix === undefined).toBe(b.matrix === undefined);
  a.matrix?.forEach((value, i) => expect(value).toBeCloseTo(b.matrix![i]!, 6));
}

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

  it('is one that a picture may have, whatever is seen: hairlines, specks, thousands of things', () => {
    const random = chance(5);
    for (let trial = 0; trial < 12; trial++) {
      const bars = Array.from({ length: 60 }, () => ({
        x: Math.floor(random() * SIDE),
        y: Math.floor(random() * SIDE),
        w: random() < 0.5 ? 1 : Math.ceil(random() * 60),
        h: random() < 0.5 ? 1 : Math.ceil(random() * 60),
      }));
      const dense = trial % 3 === 0;
      const samples = coloured((x, y) =>
        x === 0 || y === 0 || x === SIDE - 1 || y === SIDE - 1
          ? 255
          : dense
            ? (x % 5 < 4 && y % 5 < 4) || random() < 0.1
              ? 20
              : 255
            : bars.some((bar) => x >= bar.x && x < bar.x + bar.w && y >= bar.y && y < bar.y + bar.h)
              ? 20
              : 255,
      );
      const background = traceBackground(samples);
      const { error } = SCHEMAS.picture.validate(pictureRecord('noise', { outlines: background ? { background } : {} }));
      expect(error).toBeUndefined();
    }
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
    expect(placedPicture(box, picture, { fit: 'fill' }).box).toEqual({ x: -15, y: 20, w: 150, h: 100 });
    const whole = placedPicture(box, picture, { fit: 'fit' }).box;
    expect(whole.w).toBeCloseTo(100, 9);
    expect(whole.h).toBeCloseTo(66.667, 3);
    expect(whole.y).toBeCloseTo(36.667, 3);
  });

  it('keeps its focus as near to the middle of the frame as it goes without leaving a part of it bare', () => {
    const at = (x: number) => placedPicture(box, { ...picture, focus: { x, y: 0.5 } }, { fit: 'fill' }).box.x;
    expect(at(0)).toBe(10);
    expect(at(1)).toBeCloseTo(-40, 9);
    // 40 % of 150 pt lie to the left of the middle of the frame, which is at 60.
    expect(at(0.4)).toBeCloseTo(0, 9);
  });

  it('covers its frame however it is turned and mirrored', () => {
    const next = chance(7);
    for (let i = 0; i < 200; i++) {
      const frame = { x: 0, y: 0, w: 20 + 300 * next(), h: 20 + 300 * next() };
      const crop = { fit: 'fill', turn: 360 * next() - 180, mirrored: next() < 0.5 } as const;
      const shown = tracedOn([[0, 0, 1, 0, 1, 1, 0, 1]], frame, { ...picture, focus: { x: next(), y: next() } }, crop);
      for (const [x, y] of [
        [0.01, 0.01],
        [0.99, 0.01],
        [0.99, 0.99],
        [0.01, 0.99],
      ] as const)
        expect(outlineContains(shown, { x: x * frame.w, y: y * frame.h })).toBe(true);
    }
  });

  it('lies by hand as it lay by itself, at first', () => {
    const next = chance(8);
    for (let i = 0; i < 200; i++) {
      const frame = { x: 5, y: 6, w: 20 + 300 * next(), h: 20 + 300 * next() };
      const crop = { fit: next() < 0.5 ? 'fill' : 'fit', turn: 360 * next() - 180, mirrored: next() < 0.5 } as const;
      const byHand = ownCrop(cropValues(frame, picture, crop));
      expectClose(placedPicture(frame, picture, byHand), placedPicture(frame, picture, crop));
    }
  });

  it('stays where it lies when a side of its frame is pulled', () => {
    const own = ownCrop({ zoom: 1.6, x: 0.45, y: 0.55, turn: 12, mirrored: true });
    const to = { x: 0, y: 30, w: 130, h: 80 };
    expectClose(placedPicture(to, picture, keptCrop(box, to, picture, own)), placedPicture(box, picture, own));
  });

  it('follows the hand, and grows about the place under the pointer', () => {
    for (const turn of [0, 30, 90])
      for (const mirrored of [false, true]) {
        const of = { fit: 'own', zoom: 2, x: 0.5, y: 0.5, turn, mirrored } as const;
        const before = placedPicture(box, picture, of).box;
        const moved = placedPicture(box, picture, movedCrop(box, picture, of, { x: 9, y: -4 }, true)).box;
        expect(moved.x - before.x).toBeCloseTo(9, 9);
        expect(moved.y - before.y).toBeCloseTo(-4, 9);
        const point = { x: 20, y: 10 };
        const under = (crop: CropValues) => {
          const { box: at, matrix } = placedPicture(box, picture, crop);
          const onPage = { x: box.x + box.w / 2 + point.x, y: box.y + box.h / 2 + point.y };
          const upright = matrix ? mapped(inverse(matrix), onPage) : onPage;
          return [(upright.x - at.x) / at.w, (upright.y - at.y) / at.h];
        };
        const grown = zoomedCrop(box, picture, of, point, 1.7);
        expect(grown.zoom).toBeCloseTo(3.4, 9);
        expect(under(grown)[0]).toBeCloseTo(under(of)[0]!, 9);
        expect(under(grown)[1]).toBeCloseTo(under(of)[1]!, 9);
      }
  });

  it('never leaves the middle of its frame, whatever is asked for', () => {
    const of = { fit: 'own', zoom: 0.3, x: 0.5, y: 0.5, turn: 0, mirrored: false } as const;
    expect(movedCrop(box, picture, of, { x: 1e6, y: -1e6 }, false)).toMatchObject({ x: 0, y: 1 });
    expect(zoomedCrop(box, picture, of, { x: 0, y: 0 }, 1e9).zoom).toBe(40);
    expect(movedCrop(box, picture, { ...of, zoom: 2 }, { x: 1e6, y: 0 }, true).x).toBeCloseTo(1 / 6, 9);
  });

  it('has the resolution of its pixels over its inches', () => {
    expect(effectiveResolution(picture, { x: 0, y: 0, w: 720, h: 480 })).toBe(300);
  });
});
