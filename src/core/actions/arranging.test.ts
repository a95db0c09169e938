import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { baseRecords, document, pictureFrame } from '../../../tests/support/documents';
import { around, type Box } from '../geometry/box';
import { applied, isEmpty } from '../records/diff';
import { type Document, get } from '../records/document';
import { AGAINST, alignFrames, distributeFrames, EDGES, matchSizes, swapFrames } from './arranging';
import { groupFrames } from './groups';

const MM = 72 / 25.4;
const at = (x: number, y: number, w: number, h: number): Box => ({ x, y, w, h });
const withFrames = (...boxes: Box[]): Document =>
  document(...baseRecords(), ...boxes.map((box, i) => pictureFrame(`f${i}`, undefined, 'p1', box)));
const ids = (count: number) => Array.from({ length: count }, (_, i) => `f${i}`);
const boxes = (of: Document, count: number) => ids(count).map((id) => get(of, 'frame', id).box);

const three = withFrames(at(50, 60, 40, 40), at(120, 90, 60, 20), at(260, 50, 30, 80));

describe('aligning', () => {
  it('lays edges and middles on one line: the block’s own, or the first’s', () => {
    const xs = (edge: 'left' | 'centre' | 'right') =>
      boxes(applied(three, alignFrames(three, ids(3), edge, 'together')), 3).map(({ x }) => x);
    expect(xs('left')).toEqual([50, 50, 50]);
    expect(xs('right')).toEqual([250, 230, 260]);
    expect(xs('centre')).toEqual([150, 140, 155]);
    const ys = boxes(applied(three, alignFrames(three, ['f1', 'f0', 'f2'], 'bottom', 'first')), 3).map(({ y, h }) => y + h);
    expect(ys).toEqual([110, 110, 110]);
  });

  it('lays one alone to its page, its type area and its columns', () => {
    const box = (against: (typeof AGAINST)[number], edge: (typeof EDGES)[number] = 'left') =>
      get(applied(three, alignFrames(three, ['f1'], edge, against)), 'frame', 'f1').box;
    expect(box('page').x).toBe(0);
    expect(box('area').x).toBeGreaterThan(0);
    const area = box('area').x;
    expect(box('area', 'top').y).toBeGreaterThan(0);
    expect(box('column').x).toBeGreaterThanOrEqual(area);
    expect(() => alignFrames(three, ['f1'], 'left', 'together')).toThrow('Choose two frames or more');
  });

  it('brings tops, middles and feet to the nearest baseline, each by itself', () => {
    // Baselines lie 12 pt apart from 60: the type area begins at 48.
    const after = boxes(applied(three, alignFrames(three, ids(3), 'bottom', 'baseline')), 3);
    expect(after.map(({ y, h }) => y + h)).toEqual([96, 108, 132]);
    expect(boxes(applied(three, alignFrames(three, ids(3), 'top', 'baseline')), 3).map(({ y }) => y)).toEqual([60, 96, 48]);
    expect(() => alignFrames(three, ids(3), 'left', 'baseline')).toThrow('Baselines are level');
  });

  it('moves a group as one, its frames as they stand to one another', () => {
    const grouped = applied(three, groupFrames(three, ['f0', 'f1']));
    const after = applied(grouped, alignFrames(grouped, ids(3), 'right', 'together'));
    const [a, b, c] = boxes(after, 3);
    expect(b!.x + b!.w).toBe(c!.x + c!.w);
    expect(b!.x - a!.x).toBe(70);
  });

  it('is done when it is done: again, it changes nothing', () => {
    const length = fc.integer({ min: 5, max: 200 });
    const box = fc.record({ x: length, y: length, w: length, h: length });
    fc.assert(
      fc.property(
        fc.array(box, { minLength: 2, maxLength: 6 }),
        fc.constantFrom(...EDGES),
        fc.constantFrom(...AGAINST),
        (list, edge, against) => {
          fc.pre(against !== 'baseline' || ['top', 'middle', 'bottom'].includes(edge));
          const before = withFrames(...list);
          const once = applied(before, alignFrames(before, ids(list.length), edge, against));
          expect(isEmpty(alignFrames(once, ids(list.length), edge, against))).toBe(true);
          boxes(once, list.length).forEach(({ w, h }, i) => expect([w, h]).toEqual([list[i]!.w, list[i]!.h]));
        },
      ),
      { numRuns: 200 },
    );
  });
});

describe('spacing', () => {
  it('sets portraits 8 mm apart, whatever they are wide (common practice between pictures)', () => {
    const after = boxes(applied(three, distributeFrames(three, ids(3), 'across', 8 * MM)), 3);
    expect(after[0]!.x).toBe(50);
    expect((after[1]!.x - after[0]!.x - after[0]!.w) / MM).toBeCloseTo(8, 3);
    expect((after[2]!.x - after[1]!.x - after[1]!.w) / MM).toBeCloseTo(8, 3);
  });

  it('makes gaps equal and leaves the outermost: 50 to 290 less 130 of frames, by two', () => {
    const after = boxes(applied(three, distributeFrames(three, ['f2', 'f0', 'f1'], 'across')), 3);
    expect(after.map(({ x }) => x)).toEqual([50, 145, 260]);
    expect(() => distributeFrames(three, ids(2), 'across')).toThrow('three frames or more');
  });

  it('keeps what lies around all of them where gaps become equal', () => {
    const length = fc.integer({ min: 5, max: 200 });
    const box = fc.record({ x: length, y: length, w: fc.constant(20), h: fc.constant(20) });
    fc.assert(
      fc.property(fc.array(box, { minLength: 3, maxLength: 7 }), (list) => {
        const before = withFrames(...list);
        const after = boxes(applied(before, distributeFrames(before, ids(list.length), 'down')), list.length);
        expect(around(after)!.y).toBeCloseTo(around(list)!.y, 2);
        expect(around(after)!.h).toBeCloseTo(around(list)!.h, 2);
        const tops = after.map(({ y }) => y).sort((a, b) => a - b);
        const steps = tops.slice(1).map((y, i) => y - tops[i]!);
        for (const step of steps) expect(step).toBeCloseTo(steps[0]!, 1);
      }),
    );
  });
});

describe('sizes and places', () => {
  it('gives frames the size of the first chosen', () => {
    const after = boxes(applied(three, matchSizes(three, ['f1', 'f0', 'f2'], 'width')), 3);
    expect(after.map(({ w, h }) => [w, h])).toEqual([
      [60, 40],
      [60, 20],
      [60, 80],
    ]);
    expect(boxes(applied(three, matchSizes(three, ['f0', 'f2'], 'both')), 3)[2]).toMatchObject({ w: 40, h: 40 });
  });

  it('lets two change places, and back again', () => {
    const once = applied(three, swapFrames(three, ['f0', 'f2']));
    expect(boxes(once, 3).map(({ x, y }) => [x, y])).toEqual([
      [260, 50],
      [120, 90],
      [50, 60],
    ]);
    expect(boxes(applied(once, swapFrames(once, ['f0', 'f2'])), 3)).toEqual(boxes(three, 3));
    expect(() => swapFrames(three, ids(3))).toThrow('Choose two frames');
  });
});
