import { describe, expect, it } from 'vitest';
import { composed, oneText, paragraph, paragraphStyle, rightOf } from '../../../tests/support/composed';
import { baseRecords, prose, textFrame, textRecord } from '../../../tests/support/documents';
import { mapped, rotation } from '../geometry/matrix';
import { outlineContains } from '../geometry/outline';
import { docOf, plainBody } from '../records/body';
import type { TextContent } from '../records/frame';
import type { DocumentRecord, FrameRecord } from '../records/index';
import { contourOf, outlineOf } from './frames/contours';
import type { Line } from './displayList/displayList';
import { lineText } from './displayList/lineText';

const BOX = { x: 50, y: 48, w: 300, h: 240 };
const words = (count: number, seed = 1) => [paragraph('body', prose(count, seed))];

const shaped = (more: Partial<FrameRecord>, content: Partial<TextContent> = {}, count = 300, box = BOX): DocumentRecord[] => [
  ...baseRecords(),
  textRecord('text', docOf(words(count))),
  { ...textFrame('f', 'text', 'p1', box, content), ...more },
];

describe('a frame', () => {
  it('keeps its insets, each side its own', async () => {
    const inset = { top: 24, right: 30, bottom: 36, left: 12 };
    const { lines } = await composed(...oneText(words(400), [], { inset }, BOX));
    for (const line of lines()) {
      expect(line.x).toBeCloseTo(62, 6);
      if (!line.lastOfParagraph) expect(rightOf(line)).toBeCloseTo(320, 6);
      expect(line.baseline).toBeGreaterThan(72);
      expect(line.baseline).toBeLessThanOrEqual(252.01);
    }
  });

  const plain = paragraphStyle('free', { onGrid: false, size: 10, leading: 14 });
  it.each([
    ['ascent', (ascent: number) => ascent],
    ['capHeight', (_: number, cap: number) => cap],
    ['leading', () => 14],
    [21, () => 21],
  ] as const)('has its first baseline by %s', async (firstBaseline, at) => {
    const { lines, shaper } = await composed(...oneText([paragraph('free', prose(30))], [plain], { firstBaseline }, BOX));
    const face = shaper.face('SourceSerif4-400');
    expect(lines()[0]!.baseline - 48).toBeCloseTo(at(face.ascent / 100, face.capHeight / 100), 6);
  });

  it('stands its text at the top, in the middle, at the foot', async () => {
    const feet = async (align: TextContent['align']) => {
      const { lines } = await composed(...oneText([paragraph('free', prose(60))], [plain], { align }, BOX));
      return {
        top: lines()[0]!.baseline - lines()[0]!.ascent - 48,
        foot: 288 - lines().at(-1)!.baseline - lines().at(-1)!.descent,
      };
    };
    const top = await feet('top');
    expect(top.top).toBeCloseTo(0, 6);
    const centre = await feet('centre');
    expect(centre.top).toBeCloseTo(centre.foot, 6);
    expect((await feet('bottom')).foot).toBeCloseTo(0, 6);
  });

  it('spreads its text over its height: gaps between paragraphs first, then lines, within the limit', async () => {
    const content = [paragraph('free', prose(40)), paragraph('free', prose(40, 2)), paragraph('free', prose(40, 3))];
    const lines = async (align: TextContent['align'], h: number, spreadMost = 12) =>
      (await composed(...oneText(content, [plain], { align, spreadMost }, { ...BOX, h }))).lines();
    const usual = await lines('top', 220);
    const foot = usual.at(-1)!.baseline;
    const spread = await lines('spread', foot - 48 + 20);
    expect(spread[0]!.baseline).toBeCloseTo(usual[0]!.baseline, 6);
    expect(spread.at(-1)!.baseline).toBeCloseTo(foot + 20, 6);
    const gaps = (list: readonly Line[]) => list.slice(1).map((line, i) => line.baseline - list[i]!.baseline);
    expect(gaps(spread).filter((gap) => Math.abs(gap - 24) < 0.001)).toHaveLength(2);
    expect(gaps(spread).filter((gap) => Math.abs(gap - 14) < 0.001)).toHaveLength(usual.length - 3);
    const far = await lines('spread', foot - 48 + 300, 10);
    expect(Math.max(...gaps(far))).toBeLessThanOrEqual(14 + 2 + 10 + 1e-6);
    expect(far.at(-1)!.baseline).toBeLessThan(foot + 300);
  });

  it('balances its columns: none is a line longer than it must be', async () => {
    for (const count of [60, 131, 200, 333]) {
      const { items } = await composed(...oneText(words(count), [], { columns: 3, balanced: true }, { ...BOX, h: 500 }));
      const rows = items()[0]!.columns.map(({ lines }) => lines.length);
      expect(rows.reduce((sum, each) => sum + each, 0)).toBeGreaterThan(5);
      // Widow and orphan may ask for a line more.
      expect(Math.max(...rows) - Math.min(...rows)).toBeLessThanOrEqual(2);
      const feet = items()[0]!.columns.map(({ lines }) => lines.at(-1)?.baseline ?? 0);
      expect(feet[0]! - feet[1]!).toBeGreaterThanOrEqual(-0.01);
    }
  });

  it('balances only where the text ends, and only what is asked', async () => {
    const full = await composed(...oneText(words(1500), [], { columns: 3, balanced: true }, BOX));
    expect(full.fits.get('text')!.oversetLines).toBeGreaterThan(0);
    expect(full.items()[0]!.columns.map(({ lines }) => lines.length)).toEqual([20, 20, 20]);
    const plain = await composed(...oneText(words(100), [], { columns: 3 }, BOX));
    expect(plain.items()[0]!.columns[2]!.lines).toHaveLength(0);
  });

  it('sets type as large as its width lets it', async () => {
    const { lines, fits } = await composed(
      ...oneText([paragraph('headline', 'Wind'), paragraph('headline', 'over the harbour')], [], { fitsWidth: true }, BOX),
    );
    expect(lines()).toHaveLength(2);
    expect(rightOf(lines()[1]!) - 50).toBeCloseTo(300, 0);
    expect(rightOf(lines()[1]!)).toBeLessThanOrEqual(350);
    const size = lines()[1]!.runs[0]!.look.size;
    expect(lines()[0]!.runs[0]!.look.size).toBeCloseTo(size, 9);
    expect(lines()[1]!.baseline - lines()[0]!.baseline).toBeCloseTo((26 / 24) * size, 6);
    expect(fits.get('text')!.overfull).toBe(0);
  });

  it('turns its text by quarters and itself by any angle', async () => {
    const turned = await composed(...shaped({}, { turns: 1 }));
    const item = turned.items()[0]!;
    expect(item.box).toMatchObject({ w: 240, h: 300 });
    const middle = { x: 200, y: 168 };
    expect(item.transform).toEqual(rotation(90, middle));
    for (const line of turned.lines()) {
      const from = mapped(item.transform!, { x: line.x, y: line.baseline });
      expect(from.y).toBeCloseTo(48, 6);
      expect(from.x).toBeGreaterThan(50);
      expect(from.x).toBeLessThan(350);
    }
    expect(turned.lines()[0]!.width).toBeCloseTo(240, 6);
    const leaning = await composed(...shaped({ rotation: 30 }));
    expect(leaning.items()[0]!.transform![0]).toBeCloseTo(Math.cos(Math.PI / 6), 9);
    expect(leaning.lines().length).toBeGreaterThan(10);
  });

  it.each([
    ['an ellipse', { type: 'ellipse' }],
    ['rounded', { type: 'rounded', radius: 60 }],
    ['a polygon', { type: 'polygon', points: [0.5, 0, 1, 0.4, 0.8, 1, 0.2, 1, 0, 0.4] }],
  ] as const)('that is %s holds its lines whole, and its text is still all there', async (_, shape) => {
    const { lines, fits } = await composed(...shaped({ shape }, {}, 120));
    const outline = outlineOf(contourOf(shape, BOX));
    expect(lines().length).toBeGreaterThan(8);
    for (const line of lines()) {
      for (const y of [line.baseline - line.ascent, line.baseline, line.baseline + line.descent]) {
        for (const x of [line.x, line.x + line.width]) {
          const inside = { x: x + (x > 200 ? -0.05 : 0.05), y };
          expect(outlineContains(outline, inside), `${lineText(line)} at ${x}, ${y}`).toBe(true);
        }
      }
    }
    expect(fits.get('text')!.oversetLines).toBe(0);
  });

  it('shaped with an inset keeps its text off the edge by it', async () => {
    const near = await composed(...shaped({ shape: { type: 'ellipse' } }, {}, 60));
    const off = await composed(...shaped({ shape: { type: 'ellipse' } }, { inset: 15 }, 60));
    const edge = outlineOf(contourOf({ type: 'ellipse' }, BOX))[0]!;
    for (const line of off.lines()) {
      for (let i = 0; i < edge.length; i += 2) {
        const dx = Math.max(line.x - edge[i]!, 0, edge[i]! - line.x - line.width);
        const dy = Math.max(line.baseline - line.ascent - edge[i + 1]!, 0, edge[i + 1]! - line.baseline - line.descent);
        expect(Math.hypot(dx, dy)).toBeGreaterThan(14.9);
      }
    }
    expect(near.lines()[0]!.baseline).toBeLessThan(off.lines()[0]!.baseline);
  });
});

describe('a head that spans the columns', () => {
  const head = paragraphStyle('span', {
    spans: true,
    size: 18,
    leading: 24,
    weight: 700,
    keepNext: 2,
    align: 'left',
    spaceAfter: 6,
  });
  const spanning = (before: number, after: number, frame: Partial<TextContent> = {}, box = { ...BOX, h: 504 }) =>
    composed(
      ...oneText(
        [
          ...(before > 0 ? words(before) : []),
          paragraph('span', 'A head across all columns of the frame'),
          ...(after > 0 ? words(after, 9) : []),
        ],
        [head],
        { columns: 3, ...frame },
        box,
      ),
    );

  it('stands over balanced columns, and under what came before', async () => {
    const { items, lines } = await spanning(200, 150);
    const at = lines().findIndex((line) => lineText(line).startsWith('A head'));
    const own = lines()[at]!;
    expect(own.width).toBeCloseTo(300, 6);
    const columns = items()[0]!.columns;
    expect(columns).toHaveLength(7);
    const above = columns.slice(0, 3).map((column) => column.lines);
    const below = columns.slice(4).map((column) => column.lines);
    for (const list of above)
      for (const line of list) expect(line.baseline + line.descent).toBeLessThanOrEqual(own.baseline - own.ascent + 2);
    for (const list of below) for (const line of list) expect(line.baseline - line.ascent).toBeGreaterThan(own.baseline);
    expect(Math.max(...above.map((list) => list.length)) - Math.min(...above.map((list) => list.length))).toBeLessThanOrEqual(2);
    for (const line of [...above, ...below].flat()) expect((line.baseline - 60) % 12).toBeCloseTo(0, 6);
  });

  it('at the very top needs nothing above it', async () => {
    const { lines } = await spanning(0, 100);
    expect(lineText(lines()[0]!)).toMatch(/^A head/);
    expect(lines()[0]!.baseline).toBeLessThan(80);
  });

  it('loses no word, whatever comes before and after it', async () => {
    for (const [before, after, h] of [
      [0, 0, 100],
      [300, 5, 504],
      [500, 500, 300],
      [5, 900, 504],
      [1200, 100, 400],
      [40, 40, 20],
    ] as const) {
      const { texts, fits } = await spanning(before, after, {}, { ...BOX, h });
      const fit = fits.get('text')!;
      const text = texts()
        .map((line) => (line.endsWith('-') ? line.slice(0, -1) : `${line} `))
        .join('');
      const all = [before > 0 ? prose(before) : '', 'A head across all columns of the frame', after > 0 ? prose(after, 9) : ''];
      const whole = all.join(' ').replace(/\s+/g, ' ').trim();
      const shown = text.replace(/\s+/g, ' ').trim();
      expect(whole.startsWith(shown)).toBe(true);
      if (fit.oversetLines === 0) expect(shown).toBe(whole);
      expect(texts().length + fit.oversetLines).toBe(fit.lines);
    }
  });

  it('goes to the next frame when there is no room for what it stands over', async () => {
    const records = [
      ...baseRecords(),
      head,
      textRecord('text', docOf([...words(80), paragraph('span', 'A head'), ...words(100, 3)])),
      textFrame('f1', 'text', 'p1', { ...BOX, h: 132 }, { columns: 3 }),
      textFrame('f2', 'text', 'p2', BOX, { columns: 3, order: 'a1' }),
    ];
    const { items } = await composed(...records);
    const [first, second] = items();
    expect(first!.columns.flatMap(({ lines }) => lines).some((line) => lineText(line) === 'A head')).toBe(false);
    expect(lineText(second!.columns[0]!.lines[0]!)).toBe('A head');
  });
});

describe('starting afresh', () => {
  it('goes by the style, on an odd page too', async () => {
    const fresh = paragraphStyle('fresh', { startIn: 'oddPage' });
    const records = [
      ...baseRecords(4),
      fresh,
      textRecord('text', docOf([...words(40), paragraph('fresh', prose(40, 2))])),
      ...[1, 2, 3, 4].map((n) => textFrame(`f${n}`, 'text', `p${n}`, BOX, { order: `a${n}` })),
    ];
    const { pages } = await composed(...records);
    const counts = pages.map((page) => page.items.flatMap((item) => (item.type === 'text' ? item.columns[0]!.lines : [])).length);
    expect(counts[0]).toBeGreaterThan(0);
    expect(counts[1]).toBe(0);
    expect(counts[2]).toBeGreaterThan(0);
  });
});

describe('what a frame shows beside its text', () => {
  it('is listed from its shadow up to its border, in its own coordinates and opacity', async () => {
    const { pages } = await composed(...baseRecords(), textRecord('text', plainBody('body', 'Words')), {
      ...textFrame('f', 'text', 'p1', BOX),
      rotation: 15,
      opacity: 0.5,
      shape: { type: 'rounded', radius: 9 },
      fill: { swatch: 'tint', tint: 1 },
      border: { weight: 1, swatch: 'ink', tint: 1 },
      shadow: { dx: 3, dy: 4, blur: 6, swatch: 'ink', opacity: 0.4 },
    });
    const { items } = pages[0]!;
    expect(items.map((item) => (item.type === 'area' ? item.part : item.type))).toEqual(['shadow', 'fill', 'text', 'border']);
    for (const item of items) expect(item.transform![1]).toBeCloseTo(Math.sin(Math.PI / 12), 9);
    expect(items[0]).toMatchObject({ blur: 6, opacity: 0.2, box: { x: 53, y: 52 } });
    expect(items[1]).toMatchObject({ contour: { type: 'rectangle', radius: 9 }, stroke: 0, opacity: 0.5 });
    expect(items[3]).toMatchObject({ stroke: 1 });
  });
});
