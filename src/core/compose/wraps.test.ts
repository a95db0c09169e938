import { describe, expect, it } from 'vitest';
import { composed, rightOf } from '../../../tests/support/composed';
import { baseRecords, pictureFrame, pictureRecord, proseBody, textFrame, textRecord } from '../../../tests/support/documents';
import { mapped, rotation } from '../geometry/matrix';
import { boxOutline, outlineContains } from '../geometry/outline';
import { plainBody } from '../records/body';
import type { Wrap } from '../records/frame';
import type { DocumentRecord, FrameRecord } from '../records/index';
import type { Line } from './displayList/displayList';

const AREA = { x: 50, y: 48, w: 300, h: 504 };
const PICTURE = { x: 130, y: 200, w: 120, h: 120 };

const around = (wrap: Partial<Wrap>, more: Partial<FrameRecord> = {}, box = PICTURE, extra: readonly DocumentRecord[] = []) =>
  composed(
    ...baseRecords(),
    pictureRecord('pic', { outlines: { alpha: [[0.5, 0, 1, 0.5, 0.5, 1, 0, 0.5]] } }),
    textRecord('text', proseBody(700)),
    textFrame('f', 'text', 'p1', AREA),
    { ...pictureFrame('pf', 'pic', 'p1', box, { mode: 'frame', standOff: 0, ...wrap }), ...more },
    ...extra,
  );

/** Lines whose text stands at some height between two. */
const beside = (lines: readonly Line[], from: number, to: number) =>
  lines.filter((line) => line.baseline + line.descent > from && line.baseline - line.ascent < to);

describe('text beside an exclusion', () => {
  // Terms and meanings: CSS Exclusions Module Level 1, wrap-flow (both, start, end, maximum, clear).
  it('runs on both sides, on one, on the wider, or on none', async () => {
    const box = { ...PICTURE, x: 110 };
    const sides = async (side: Wrap['side']) => {
      const { lines } = await around({ side: side! }, {}, box);
      const own = beside(lines(), box.y, box.y + box.h);
      return { left: own.filter((line) => line.x < box.x).length, right: own.filter((line) => line.x > box.x).length };
    };
    const both = await sides('both');
    expect(both.left).toBeGreaterThan(5);
    expect(both.left).toBe(both.right);
    expect(await sides('left')).toEqual({ left: both.left, right: 0 });
    expect(await sides('right')).toEqual({ left: 0, right: both.right });
    // 60 pt lie left of it, 120 right.
    expect(await sides('wider')).toEqual({ left: 0, right: both.right });
    const clear = await around({ mode: 'clear' }, {}, box);
    expect(beside(clear.lines(), box.y, box.y + box.h)).toEqual([]);
  });

  it('stays off each side by that side’s own length', async () => {
    const { lines } = await around({ standOff: { top: 30, right: 5, bottom: 2, left: 20 } });
    const level = beside(lines(), PICTURE.y + 1, PICTURE.y + PICTURE.h - 1);
    for (const line of level) {
      if (line.x < PICTURE.x) expect(line.x + line.width).toBeCloseTo(PICTURE.x - 20, 6);
      else expect(line.x).toBeCloseTo(PICTURE.x + PICTURE.w + 5, 6);
    }
    const full = lines().filter((line) => Math.abs(line.width - 300) < 0.01);
    const above = full.filter((line) => line.baseline < PICTURE.y);
    const below = full.filter((line) => line.baseline > PICTURE.y + PICTURE.h);
    expect(PICTURE.y - Math.max(...above.map((line) => line.baseline + line.descent))).toBeGreaterThanOrEqual(30);
    const gap = Math.min(...below.map((line) => line.baseline - line.ascent)) - PICTURE.y - PICTURE.h;
    expect(gap).toBeGreaterThanOrEqual(2);
    expect(gap).toBeLessThan(14);
  });

  it('keeps clear of a leaning frame and of its own shape', async () => {
    for (const [wrap, more] of [
      [{ mode: 'frame' }, { rotation: 35 }],
      [{ mode: 'outline', outline: 'shape' }, { shape: { type: 'ellipse' } }],
      [{ mode: 'outline', outline: 'alpha' }, { rotation: 20 }],
    ] as const) {
      const { lines } = await around(wrap, more);
      const middle = { x: PICTURE.x + 60, y: PICTURE.y + 60 };
      const inside = (x: number, y: number): boolean => {
        const point = mapped(rotation(-('rotation' in more ? more.rotation : 0), middle), { x, y });
        if ('shape' in more) return ((point.x - middle.x) / 60) ** 2 + ((point.y - middle.y) / 60) ** 2 < 0.99;
        if (wrap.mode === 'outline') return Math.abs(point.x - middle.x) + Math.abs(point.y - middle.y) < 59.5;
        return outlineContains(boxOutline({ ...PICTURE, x: PICTURE.x + 0.3, y: PICTURE.y + 0.3, w: 119.4, h: 119.4 }), point);
      };
      let near = 0;
      for (const line of lines()) {
        for (let x = line.x; x <= line.x + line.width; x += 1) {
          for (const y of [line.baseline - line.ascent, line.baseline, line.baseline + line.descent])
            expect(inside(x, y)).toBe(false);
        }
        if (Math.abs(line.width - 300) > 0.01) near++;
      }
      // The outlines are narrower than the box at their ends, so lines there are not cut by the whole of it.
      expect(near).toBeGreaterThan(6);
    }
  });

  it('runs around letters', async () => {
    const { lines, items } = await around({ mode: 'none' }, {}, PICTURE, [
      { id: 'big', kind: 'paragraphStyle', name: 'big', properties: { size: 160, leading: 160, onGrid: false, align: 'left' } },
      textRecord('letter', plainBody('big', 'A')),
      {
        ...textFrame('lf', 'letter', 'p1', { x: 140, y: 180, w: 140, h: 180 }, { ignoresWraps: true }),
        wrap: { mode: 'outline', standOff: 3, outline: 'glyphs' },
      },
    ]);
    const letter = items('letter')[0]!.columns[0]!.lines[0]!;
    const level = beside(lines(), letter.baseline - 100, letter.baseline).filter((line) => line.x < 190);
    expect(level.length).toBeGreaterThan(6);
    // An A is narrow above and wide below: the lines left of it grow shorter on the way down.
    const ends = level.map((line) => line.x + line.width);
    expect(ends[0]! - ends.at(-1)!).toBeGreaterThan(20);
    // Its counter is a hole and filled: nothing is set in it.
    for (const line of lines()) expect(line.x > 195 && line.x + line.width < 225).toBe(false);
  });

  it('is put together from several exclusions that overlap', async () => {
    const { lines } = await around({}, {}, PICTURE, [
      pictureFrame('second', 'pic', 'p1', { ...PICTURE, x: 200, y: 260 }, { mode: 'frame' }),
    ]);
    for (const line of beside(lines(), 265, 315)) expect(line.x + line.width <= 130.01 || line.x >= 319.99).toBe(true);
  });

  it('does not mind what ignores wraps', async () => {
    const records = [
      ...baseRecords(),
      textRecord('text', proseBody(300)),
      textFrame('f', 'text', 'p1', AREA, { ignoresWraps: true }),
      pictureFrame('pf', undefined, 'p1', PICTURE, { mode: 'frame' }),
    ];
    const { lines } = await composed(...records);
    for (const line of lines()) expect(line.width).toBeCloseTo(300, 6);
  });

  it('runs around a group as around one frame, and a text of the group is not in its own way', async () => {
    const group = (mode: Wrap['mode']): DocumentRecord => ({
      id: 'g',
      kind: 'group',
      name: 'Picture with caption',
      wrap: { mode, standOff: 4, outline: 'shape' },
    });
    const records = (mode: Wrap['mode']) => [
      ...baseRecords(),
      group(mode),
      textRecord('text', proseBody(700)),
      textFrame('f', 'text', 'p1', AREA),
      { ...pictureFrame('pf', undefined, 'p1', { x: 130, y: 200, w: 120, h: 80 }, { mode: 'none' }), group: 'g' },
      textRecord('caption', plainBody('body', 'A caption beside the picture')),
      { ...textFrame('cf', 'caption', 'p1', { x: 250, y: 280, w: 60, h: 40 }), group: 'g' },
    ];
    const whole = await composed(...records('frame'));
    // The two lie corner to corner: as one frame, nothing is set beside either within the other's height.
    for (const line of beside(whole.lines(), 202, 318)) expect(line.x + line.width <= 126.01 || line.x >= 313.99).toBe(true);
    expect(whole.lines('caption').length).toBeGreaterThan(1);
    const outlined = await composed(...records('outline'));
    expect(beside(outlined.lines(), 205, 260).some((line) => line.x > 250 && line.x < 260)).toBe(true);
  });

  it('in a turned frame keeps clear of pictures where they really lie', async () => {
    const { lines, items } = await composed(
      ...baseRecords(),
      textRecord('text', proseBody(400)),
      textFrame('f', 'text', 'p1', AREA, { turns: 1 }),
      pictureFrame('pf', undefined, 'p1', PICTURE, { mode: 'frame', standOff: 5 }),
    );
    const { transform } = items()[0]!;
    for (const line of lines()) {
      for (let x = line.x; x <= rightOf(line); x += 2) {
        const point = mapped(transform!, { x, y: line.baseline });
        const apart =
          point.x < PICTURE.x - 4.9 ||
          point.x > PICTURE.x + PICTURE.w + 4.9 ||
          point.y < PICTURE.y - 4.9 ||
          point.y > PICTURE.y + PICTURE.h + 4.9;
        expect(apart).toBe(true);
      }
    }
  });
});
