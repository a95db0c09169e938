import { describe, expect, it } from 'vitest';
import { document, flawOf } from '../../../tests/support/documents';
import { everything } from '../../../tests/support/everything';
import { contourOf, outlineOf } from '../compose/frames/contours';
import { around } from '../geometry/box';
import { doubleArea } from '../geometry/outline';
import { bodyText } from '../records/body';
import type { Chart } from '../records/chart';
import { applied } from '../records/diff';
import { all, type Document, find, get } from '../records/document';
import type { FrameRecord } from '../records/index';
import { textIn } from '../records/kinds/frames';
import { figureOf, putChart, setChart, ticksOf } from './charts';
import { ActionError } from './edit';
import { membersOf } from './groups';

const doc = document(...everything);
const BOX = { x: 60, y: 200, w: 260, h: 140 };
const WIND: Chart = {
  form: 'bars',
  unit: 'kn',
  rows: [
    { label: 'Light', value: 6 },
    { label: 'Fresh', value: 19 },
    { label: 'Gale', value: 38 },
  ],
};

function drawn(chart: Chart): { now: Document; group: string; frames: readonly FrameRecord[]; words: string[] } {
  const now = applied(doc, putChart(doc, 'p1', BOX, chart));
  const group = all(now, 'group').find(({ id }) => !find(doc, 'group', id))!;
  expect(flawOf(group)).toBeUndefined();
  const frames = membersOf(now, group.id);
  for (const frame of frames) expect(flawOf(frame), JSON.stringify(frame.box)).toBeUndefined();
  const words = frames.flatMap((frame) => (textIn(frame) ? [bodyText(get(now, 'text', textIn(frame)!).body)] : []));
  return { now, group: group.id, frames, words };
}

const panels = (frames: readonly FrameRecord[]) => frames.filter(({ content }) => content.type === 'panel');
const area = ({ shape, box }: FrameRecord) =>
  Math.abs(outlineOf(contourOf(shape, box)).reduce((sum, ring) => sum + doubleArea(ring), 0)) / 2;

describe('charts', () => {
  it('of bars and columns are as long as their figures are large', () => {
    for (const form of ['bars', 'columns'] as const) {
      const { frames, words } = drawn({ ...WIND, form });
      const along = panels(frames).map(({ box }) => (form === 'bars' ? box.w : box.h));
      expect(along).toHaveLength(3);
      along.forEach((length, i) => expect(length / along[0]!).toBeCloseTo(WIND.rows[i]!.value / 6, 6));
      expect(words).toEqual(expect.arrayContaining(['Light', '6 kn', 'Gale', '38 kn']));
    }
  });

  it('stand on nothing, figures below it on its other side', () => {
    const { frames } = drawn({
      form: 'columns',
      rows: [
        { label: 'Up', value: 10 },
        { label: 'Down', value: -5 },
      ],
    });
    const [up, down] = panels(frames).map(({ box }) => box);
    expect(down!.y).toBeCloseTo(up!.y + up!.h, 6);
    expect(up!.h / down!.h).toBeCloseTo(2, 6);
  });

  it('of parts are sectors by their shares', () => {
    const { frames, words } = drawn({
      form: 'parts',
      rows: [
        { label: 'Rent', value: 50 },
        { label: 'Paper', value: 30 },
        { label: 'Ink', value: 20 },
      ],
    });
    const sectors = panels(frames).filter(({ shape }) => shape?.type === 'outline');
    const whole = sectors.reduce((sum, each) => sum + area(each), 0);
    expect(sectors.map((each) => Math.round((100 * area(each)) / whole))).toEqual([50, 30, 20]);
    // A circle as high as its stretch, or half as wide.
    expect(whole / (Math.PI * 65 ** 2)).toBeCloseTo(1, 2);
    expect(words).toContain('Rent 50 %, 50');
  });

  it('of a line have round figures beside it', () => {
    const { frames, words } = drawn({ form: 'line', rows: [2, 9, 7, 14].map((value, i) => ({ label: `${2020 + i}`, value })) });
    expect(words).toEqual(expect.arrayContaining(['0', '5', '10', '15', '2020', '2023']));
    expect(panels(frames)).toHaveLength(1);
  });

  it('have ticks as Heckbert has them', () => {
    // Graphics Gems, p. 61: from 105 to 543 there are marks at 100, 200 … 600.
    expect(ticksOf(105, 543)).toEqual([100, 200, 300, 400, 500, 600]);
    expect(ticksOf(2.03, 2.17)).toEqual([2, 2.05, 2.1, 2.15, 2.2]);
    expect(ticksOf(7, 7).length).toBeGreaterThan(1);
  });

  it('stay in their stretch, and are drawn anew in it when they say something else', () => {
    const { now, group, frames } = drawn(WIND);
    const inside = (of: readonly FrameRecord[]) => {
      const box = around(of.map((frame) => frame.box))!;
      expect(box.x).toBeGreaterThanOrEqual(BOX.x - 1);
      expect(box.x + box.w).toBeLessThanOrEqual(BOX.x + BOX.w + 1);
      expect(box.y).toBeGreaterThanOrEqual(BOX.y - 1);
      expect(box.y + box.h).toBeLessThanOrEqual(BOX.y + BOX.h + 1);
    };
    inside(frames);
    const after = applied(now, setChart(now, group, { ...WIND, form: 'columns', rows: WIND.rows.slice(0, 2) }));
    const anew = membersOf(after, group);
    inside(anew);
    expect(panels(anew)).toHaveLength(2);
    expect(frames.every(({ id }) => find(after, 'frame', id) === undefined)).toBe(true);
    // Labels that went took their texts along.
    expect(all(after, 'text').length).toBe(all(doc, 'text').length + 4);
  });

  it('are refused with a sentence where they cannot be drawn', () => {
    expect(() => putChart(doc, 'p1', { ...BOX, w: 20 }, WIND)).toThrow('too small');
    expect(() => putChart(doc, 'p1', BOX, { form: 'parts', rows: [{ label: 'a', value: -1 }] })).toThrow('negative');
    expect(() => putChart(doc, 'p1', BOX, { form: 'line', rows: WIND.rows.slice(0, 1) })).toThrow(ActionError);
    expect(() => putChart(doc, 'p1', BOX, { form: 'bars', rows: [{ label: 'a', value: Number.NaN }] })).toThrow('figures');
  });

  it('read figures as people type them', () => {
    expect(['1,204.5', '−3', '£ 12', '38 kn', '.5', 'none', ''].map(figureOf)).toEqual([
      1204.5,
      -3,
      12,
      38,
      0.5,
      undefined,
      undefined,
    ]);
  });
});
