import { describe, expect, it } from 'vitest';
import { composed, paragraph, paragraphStyle } from '../../../tests/support/composed';
import { baseRecords, textFrame, textRecord } from '../../../tests/support/documents';
import { mapped } from '../geometry/matrix';
import { docOf } from '../records/body';
import type { Shape, TextAlong } from '../records/frame';
import type { FrameRecord } from '../records/index';
import { caretAt, placeAt, selectedAreas } from './displayList/caret';
import { wayAlong } from './frames/along';

const ALONG: TextAlong = { side: 'outside', from: 0, reach: 1, gap: 0 };
const CIRCLE = { x: 100, y: 100, w: 200, h: 200 };

describe('the way along an edge', () => {
  it('is as long as a circle is round, and leads over its top in the middle', () => {
    const way = wayAlong({ type: 'ellipse' }, CIRCLE, ALONG);
    expect(way.length / (2 * Math.PI * 100)).toBeCloseTo(1, 2);
    const top = mapped(way.at(way.length / 2), { x: way.length / 2, y: 0 });
    expect(top.x).toBeCloseTo(200, 0);
    expect(top.y).toBeCloseTo(100, 0);
    // What stands there stands upright, and what is above it lies outside.
    const above = mapped(way.at(way.length / 2), { x: way.length / 2, y: -10 });
    expect(above.y).toBeCloseTo(90, 0);
  });

  it('keeps every place of it as far from the middle as the radius and the gap are, outside and inside', () => {
    for (const side of ['outside', 'inside'] as const)
      for (const gap of [0, 7]) {
        const way = wayAlong({ type: 'ellipse' }, CIRCLE, { ...ALONG, side, gap });
        for (let i = 0; i <= 20; i++) {
          const x = (way.length * i) / 20;
          const at = mapped(way.at(x), { x, y: 0 });
          expect(Math.hypot(at.x - 200, at.y - 200)).toBeCloseTo(side === 'outside' ? 100 + gap : 100 - gap, 0);
        }
      }
  });

  it('goes along a part of a rectangle, whatever way round its form was drawn', () => {
    const square = [0, 0, 1, 0, 1, 1, 0, 1];
    const turned = [0, 0, 0, 1, 1, 1, 1, 0];
    const ways = [square, turned].map((points) =>
      wayAlong({ type: 'polygon', points } satisfies Shape, CIRCLE, { ...ALONG, from: 0.25, reach: 0.25 }),
    );
    for (const way of ways) {
      expect(way.length).toBeCloseTo(200, 6);
      // A quarter of the way from the middle of the foot clockwise is the middle of the left side; half of it that of the top.
      const [begin, end] = [mapped(way.at(0), { x: 0, y: 0 }), mapped(way.at(200), { x: 200, y: 0 })];
      expect([begin.x, begin.y].map(Math.round)).toEqual([100, 200]);
      expect([end.x, end.y].map(Math.round)).toEqual([200, 100]);
    }
  });
});

describe('a text along an edge', () => {
  const ring = (along: TextAlong = ALONG): FrameRecord[] =>
    [{ ...textFrame('f', 'text', 'p1', CIRCLE), shape: { type: 'ellipse' } }].map(
      (frame) => ({ ...frame, content: { ...frame.content, along } }) as FrameRecord,
    );
  const set = (words: string, along?: TextAlong) =>
    composed(
      ...baseRecords(1),
      paragraphStyle('round', { align: 'centre', hyphens: false }),
      textRecord('text', docOf([paragraph('round', words)])),
      ...ring(along),
    );

  it('stands on it letter by letter, in the middle of the way where it is centred', async () => {
    const { lines } = await set('Tide tables');
    const [line] = lines();
    expect(line!.runs.map(({ text }) => text).join('')).toBe('Tidetables');
    const feet = line!.runs.map((run) => mapped(run.turn!, { x: line!.x + run.x, y: line!.baseline }));
    for (const foot of feet) expect(Math.abs(Math.hypot(foot.x - 200, foot.y - 200) - 100)).toBeLessThan(0.6);
    expect((feet[0]!.x + feet.at(-1)!.x) / 2).toBeCloseTo(200, -1);
    expect(feet[0]!.x).toBeLessThan(feet.at(-1)!.x);
  });

  it('that is longer than its way is over, and says so', async () => {
    const short = await set('Tide tables');
    expect(short.fits.get('text')!.oversetLines).toBe(0);
    const long = await set('Tide tables and all the harbour news there is to be had in a town as small as this one '.repeat(3));
    expect(long.lines()).toHaveLength(1);
    expect(long.fits.get('text')!.oversetLines).toBeGreaterThan(0);
  });

  it('has its caret at its letters, is found where they are pressed, and selected where they stand', async () => {
    const { pages } = await set('Tide tables');
    for (const offset of [0, 3, 4, 5, 11]) {
      const { box } = caretAt(pages, 'text', { paragraph: 0, offset })!;
      const at = { x: box.x + box.w / 2, y: box.y + box.h / 2 };
      expect(Math.abs(Math.hypot(at.x - 200, at.y - 200) - 104)).toBeLessThan(6);
      expect(placeAt(pages[0]!, at)).toEqual({ text: 'text', place: { paragraph: 0, offset } });
    }
    const [{ areas } = { areas: [] }] = selectedAreas(pages, 'text', {
      anchor: { paragraph: 0, offset: 0 },
      head: { paragraph: 0, offset: 4 },
    });
    expect(areas).toHaveLength(4);
    for (const [corner] of areas) expect(Math.hypot(corner!.x - 200, corner!.y - 200)).toBeGreaterThan(100);
  });
});

describe('panels behind paragraphs', () => {
  const panel = { swatch: 'tint', tint: 1, width: 'column', beside: 4, above: 3 } as const;
  const areas = async (...records: Parameters<typeof composed>) => {
    const { lines } = await composed(...records);
    return lines().map(({ marks = [] }) => marks.filter(({ type }) => type === 'area').length);
  };
  const two = (first: object, second: object) => [
    ...baseRecords(1),
    paragraphStyle('one', first),
    paragraphStyle('two', second),
    textRecord('text', docOf([paragraph('one', 'A line.'), paragraph('two', 'Another line.')])),
    textFrame('f', 'text', 'p1', { x: 40, y: 40, w: 200, h: 200 }),
  ];

  it('are one for paragraphs that follow one another with the same, and each its own otherwise', async () => {
    expect(await areas(...two({ panel }, { panel }))).toEqual([1, 0]);
    expect(await areas(...two({ panel }, { panel: { ...panel, above: 5 } }))).toEqual([1, 1]);
    expect(await areas(...two({ panel }, {}))).toEqual([1, 0]);
    expect(await areas(...two({}, { panel }))).toEqual([0, 1]);
  });

  it('reach from the first line to the last, and out by what is said', async () => {
    const { lines } = await composed(...two({ panel }, { panel }));
    const [first, last] = lines();
    const { box } = first!.marks![0]!;
    expect(first!.x + box.x).toBeCloseTo(36, 6);
    expect(box.w).toBeCloseTo(208, 6);
    expect(first!.baseline + box.y).toBeCloseTo(first!.baseline - first!.ascent - 3, 6);
    expect(first!.baseline + box.y + box.h).toBeCloseTo(last!.baseline + last!.descent + 3, 6);
  });
});
