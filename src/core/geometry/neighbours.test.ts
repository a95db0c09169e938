import { describe, expect, it } from 'vitest';
import { mm } from '../length/length';
import { neighboursOf, placesFor, seenFrom } from './neighbours';

const box = (x: number, y: number, w = 100, h = 60) => ({ x, y, w, h });
/** 8 mm between portraits: common practice. */
const GAP = mm(8);

describe('what a box is caught by', () => {
  // Two portraits 8 mm apart; a third is moved behind them, or below.
  const around = neighboursOf([box(0, 0), box(100 + GAP, 0)]);

  it('is the gap that others have', () => {
    expect(around.across).toEqual([{ size: expect.closeTo(GAP, 9) as number, x: 100 + GAP / 2, y: 30 }]);
    const { x } = placesFor(box(2 * (100 + GAP) + 3, 0), around);
    expect(x.from).toContainEqual(expect.closeTo(2 * (100 + GAP), 9));
    // Below them there is no gap to be like yet, but their edges to be on one line with.
    const below = placesFor(box(3, 90), around);
    expect(below.x.from).toEqual([0, 100 + GAP]);
    expect(below.y.from).toEqual([0, 0]);
  });

  it('is the middle between two neighbours', () => {
    const { x } = placesFor(box(140, 5, 40), neighboursOf([box(0, 0), box(240, 0)]));
    expect(x.middle).toContain(170);
  });

  it('is never a gap to what lies off', () => {
    const { x } = placesFor(box(208 + 3, 500), around);
    expect(x.from).toEqual([0, 100 + GAP]);
  });
});

describe('what is seen while it moves', () => {
  const around = neighboursOf([box(0, 0), box(100 + GAP, 0)]);

  it('is the line it shares, and the gap, as on the left', () => {
    const seen = seenFrom(box(2 * (100 + GAP), 0), around);
    expect(seen).toContainEqual({ is: 'line', upright: false, at: 0, from: 0, to: 300 + 2 * GAP });
    const gap = seen.find((each) => each.is === 'gap')!;
    expect(gap.to - gap.from).toBeCloseTo(GAP, 9);
    expect(gap).toMatchObject({ upright: false, as: 'left', at: 30 });
  });

  it('is a gap as above, in the row below', () => {
    const rows = neighboursOf([box(0, 0), box(100 + GAP, 0), box(0, 60 + GAP)]);
    const gaps = seenFrom(box(100 + GAP, 60 + GAP), rows).filter((each) => each.is === 'gap');
    expect(gaps.map(({ upright, as }) => [upright, as])).toEqual([
      [false, 'above'],
      [true, 'left'],
    ]);
  });

  it('is that it stands in the middle', () => {
    const seen = seenFrom(box(150, 0, 40), neighboursOf([box(0, 0), box(240, 0)]));
    expect(seen.filter((each) => each.is === 'gap').map((each) => each.is === 'gap' && each.as)).toEqual(['both', 'both']);
  });

  it('costs little among three hundred', () => {
    const many = Array.from({ length: 300 }, (_, i) => box((i % 20) * 30, Math.floor(i / 20) * 30, 20, 20));
    expect(seenFrom(box(3, 4, 20, 20), neighboursOf(many)).length).toBeLessThan(10);
  });
});
