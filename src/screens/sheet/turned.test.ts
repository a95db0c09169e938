import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boxOnGround, nextTurn, pointOn, TURNS, turnedSize, wayOn } from './turned';

const GROUND = { width: 800, height: 600 };

describe('a desk that is turned', () => {
  it('covers the ground, and shows what was at the left edge of a sideways page above', () => {
    expect(turnedSize(GROUND, 90)).toEqual({ width: 600, height: 800 });
    // Turned clockwise, what lies to the right on the desk goes down on the ground.
    expect(wayOn(90, { x: 0, y: 10 })).toEqual({ x: 10, y: 0 });
    expect(wayOn(270, { x: 0, y: 10 })).toEqual({ x: -10, y: 0 });
    expect(wayOn(180, { x: 3, y: 4 })).toEqual({ x: -3, y: -4 });
    // The upper left corner of what is turned clockwise lies at the upper right of the ground.
    expect(pointOn(90, GROUND, { x: 800, y: 0 })).toEqual({ x: 0, y: 0 });
    expect(pointOn(270, GROUND, { x: 0, y: 600 })).toEqual({ x: 0, y: 0 });
  });

  it('takes every point to where it is seen, and back', () => {
    const side = fc.integer({ min: 0, max: 1000 });
    fc.assert(
      fc.property(fc.constantFrom(...TURNS), side, side, (turn, x, y) => {
        const seen = boxOnGround(turn, GROUND, { x: x - 1, y: y - 2, w: 2, h: 4 });
        const back = pointOn(turn, GROUND, { x: seen.x + seen.w / 2, y: seen.y + seen.h / 2 });
        expect([back.x, back.y]).toEqual([x, y]);
        expect([seen.w, seen.h].sort()).toEqual([2, 4]);
      }),
    );
  });

  it('comes round in four quarters', () => {
    for (const turn of TURNS) {
      expect([1, 1, 1, 1].reduce((now, by) => nextTurn(now as 0, by), turn)).toBe(turn);
      expect(nextTurn(nextTurn(turn, 1), -1)).toBe(turn);
    }
  });
});
