import { docOf } from '@/core/records/body';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { composed, figure, looks, mark, oneText, paragraph, paragraphStyle, text } from '../../../tests/support/composed';
import { baseRecords, document, pictureFrame, prose, proseBody, textFrame, textRecord } from '../../../tests/support/documents';
import { composerFor } from '../../../tests/support/faces';
import { setTextLayout, placeFrames } from '../actions/frames';
import { exclusion, takenBy } from '../geometry/exclusion';
import { boxOutline } from '../geometry/outline';
import type { FrameRecord } from '../records/index';
import type { Line } from './displayList/displayList';
import type { SetLook } from './paragraph/look';

/** What independent trials found, each as it was found. */

const circle = (n = 64): number[] =>
  Array.from({ length: n }, (_, i) => [
    0.5 + 0.5 * Math.cos((2 * Math.PI * i) / n),
    0.5 + 0.5 * Math.sin((2 * Math.PI * i) / n),
  ]).flat();

/** A round thing in the way, as a frame of that form. */
const round = (box: FrameRecord['box'], standOff = 6): FrameRecord => ({
  ...pictureFrame('round', undefined, 'p1', box, { mode: 'outline', outline: 'shape', standOff }),
  shape: { type: 'polygon', points: circle() },
});

const roundOutline = ({ x, y, w, h }: FrameRecord['box']) => [circle().map((v, i) => (i % 2 === 0 ? x + v * w : y + v * h))];

describe('frames that grow', () => {
  const spanning = [paragraphStyle('head', { spans: true, size: 14, leading: 16, hyphens: false, onGrid: false, keepNext: 2 })];

  it('take paragraphs across their columns also where the text is higher than the box', async () => {
    for (let i = 1; i <= 8; i++) {
      const content = Array.from({ length: i }, (_, k) => [
        paragraph('head', 'A head'),
        paragraph('body', prose(60, k + 1)),
      ]).flat();
      const { fits, lines } = await composed(
        ...oneText(content, spanning, { grows: true, columns: 3 }, { x: 50, y: 48, w: 300, h: 40 }),
      );
      expect(fits.get('text')!.oversetLines).toBe(0);
      expect(lines().length).toBeGreaterThan(i * 4);
    }
  });

  it('come to an end where their columns have no width, whatever lies beside them', async () => {
    for (const [frame, w] of [
      [{ grows: true, inset: 6 }, 12],
      [{ grows: true, columns: 3, gutter: 15 }, 30],
      [{ grows: true, inset: 40 }, 20],
    ] as const)
      for (const mode of ['frame', 'clear', 'outline'] as const) {
        const { lines } = await composed(
          ...oneText([paragraph('body', 'Wind over the harbour')], [], frame, { x: 50, y: 48, w, h: 60 }),
          pictureFrame('pic', undefined, 'p1', { x: 40, y: 40, w: 60, h: 90 }, { mode, standOff: 4, outline: 'shape' }),
        );
        expect(lines().length).toBeGreaterThan(0);
      }
  });

  it('are refused such widths where they would arise', () => {
    const records = oneText(
      [paragraph('body', 'Wind')],
      [],
      { columns: 3, gutter: 15, inset: 6 },
      { x: 50, y: 48, w: 120, h: 60 },
    );
    const doc = document(...records);
    const sized = (w: number) => placeFrames(doc, new Map([['f', { on: 'p1', box: { x: 50, y: 48, w, h: 60 } }]]));
    expect(() => sized(40)).toThrow('no width');
    expect(sized(60).updated).toHaveLength(1);
    expect(() => setTextLayout(doc, ['f'], { gutter: 60 })).toThrow('no width');
  });
});

describe('total fit beside a round picture', () => {
  it.each([
    [85, 250],
    [120, 250],
    [200, 600],
  ])(
    'is kept on %i points for a paragraph of %i words: nothing is given up, and it is as even as elsewhere',
    async (w, words) => {
      let narrowed = 0;
      for (let seed = 1; seed <= 20; seed++) {
        const box = { x: 50 + w * 0.6, y: 100 + 3 * seed, w: w * 0.55, h: 90 };
        const { fits } = await composed(
          ...oneText([paragraph('body', prose(words, seed))], [], { grows: true }, { x: 50, y: 48, w, h: 504 }),
          round(box),
        );
        narrowed += fits.get('text')!.gaveWay;
      }
      expect(narrowed).toBe(0);
    },
  );
});

describe('lines beside something', () => {
  /** Everything a line shows, as boxes of ink: x from, x to, top, foot. */
  const inkOf = (line: Line): [number, number, number, number][] =>
    line.runs.flatMap((run) => {
      const { face } = (run.look as SetLook).shaper;
      const out: [number, number, number, number][] = [];
      let x = line.x + run.x;
      for (let i = 0; i < run.shaped.glyphs.length; i++) {
        const extents = face.font.glyphExtents(run.shaped.glyphs[i]!);
        const { scale } = run.look;
        const y = line.baseline + run.drop - run.look.rise;
        if (extents && extents.width !== 0)
          out.push([
            x + extents.xBearing * scale * line.glyphScale,
            x + (extents.xBearing + extents.width) * scale * line.glyphScale,
            y - extents.yBearing * scale,
            y - (extents.yBearing + extents.height) * scale,
          ]);
        x += (run.shaped.advances[i]! * scale + run.look.tracking + line.letterSpace) * line.glyphScale;
      }
      return out;
    });

  it('keep away with all they hold: larger letters, drop caps, hanging and slanted ones', async () => {
    const size = fc.constantFrom(9, 14, 22);
    const piece = fc.record({ words: fc.integer({ min: 1, max: 12 }), big: fc.boolean(), italic: fc.boolean() });
    const { composer } = await composerFor(
      document(...baseRecords(), paragraphStyle('x', { italic: true }), {
        id: 'big',
        kind: 'characterStyle',
        name: 'Big',
        properties: { size: 22 },
      }),
    );
    fc.assert(
      fc.property(
        fc.array(piece, { minLength: 1, maxLength: 8 }),
        size,
        fc.option(fc.integer({ min: 2, max: 4 }), { nil: undefined }),
        fc.integer({ min: 0, max: 200 }),
        fc.integer({ min: 40, max: 200 }),
        fc.integer({ min: 1, max: 99 }),
        (pieces, bigSize, cap, dx, y, seed) => {
          const box = { x: 20 + dx, y, w: 110, h: 110 };
          const content = pieces.map(({ words, big, italic }, i) =>
            text(
              `${prose(words, seed + i)} `,
              ...(big ? [mark('character', { style: 'big' })] : []),
              ...(italic ? [mark('emphasis')] : []),
            ),
          );
          const doc = document(
            ...oneText(
              [paragraph('p', content), paragraph('p', prose(60, seed))],
              [
                paragraphStyle('p', { hanging: 1, ...(cap ? { dropCap: { lines: cap, letters: 1, gap: 2 } } : {}) }),
                { id: 'big', kind: 'characterStyle', name: 'Big', properties: { size: bigSize } },
              ],
              {},
              { x: 50, y: 48, w: 200, h: 500 },
            ),
            round(box, 4),
          );
          const { lines } = looks(composer.compose(doc));
          const outline = roundOutline(box);
          const off = exclusion(outline, { top: 4, right: 4, bottom: 4, left: 4 }, 'both', box);
          // A word longer than its space stands out of it, and is told.
          for (const line of lines().filter((each) => !each.overfull))
            for (const [x0, x1, top, foot] of inkOf(line)) {
              const taken = takenBy(off, top, foot);
              for (let i = 0; i < taken.length; i += 2)
                expect(Math.min(x1, taken[i + 1]!) - Math.max(x0, taken[i]!), `${x0} ${top}`).toBeLessThan(0.1);
            }
        },
      ),
      { numRuns: 150 },
    );
    expect(
      takenBy(
        exclusion(boxOutline({ x: 0, y: 0, w: 1, h: 1 }), { top: 0, right: 0, bottom: 0, left: 0 }, 'both', {
          x: 0,
          y: 0,
          w: 1,
          h: 1,
        }),
        2,
        3,
      ),
    ).toEqual([]);
  });

  it('no drop cap hangs below its frame: it goes on where there is room for it', async () => {
    for (let lines = 2; lines <= 6; lines++)
      for (let seed = 1; seed <= 12; seed++) {
        const { items } = await composed(
          ...baseRecords(),
          paragraphStyle('cap', { dropCap: { lines, letters: 1, gap: 2 } }),
          textRecord(
            'text',
            docOf([
              paragraph('body', prose(20 + 9 * seed, seed)),
              paragraph('cap', prose(5 * seed, seed)),
              paragraph('body', prose(30)),
            ]),
          ),
          textFrame('a', 'text', 'p1', { x: 50, y: 48, w: 90, h: 144 }),
          textFrame('b', 'text', 'p1', { x: 155, y: 48, w: 90, h: 504 }, { order: 'a1' }),
        );
        for (const { columns } of items())
          for (const { box, lines: own } of columns)
            for (const line of own)
              for (const run of line.runs) expect(line.baseline + run.drop).toBeLessThanOrEqual(box.y + box.h + 0.01);
      }
  });
});

describe('balanced columns', () => {
  it('have feet that differ by a line at most, wherever keeps allow it', async () => {
    const free = paragraphStyle('free', { orphans: 1, widows: 1 });
    let apart = 0;
    for (let seed = 1; seed <= 100; seed++) {
      const columns = 2 + (seed % 4);
      for (const style of ['free', 'body']) {
        const { items } = await composed(
          ...oneText(
            Array.from({ length: 1 + (seed % 5) }, (_, i) => paragraph(style, prose(10 + ((seed * 37 + i * 53) % 90), seed + i))),
            [free],
            { columns, gutter: 12, balanced: true },
            { x: 50, y: 48, w: 95 * columns, h: 504 },
          ),
        );
        const feet = items()[0]!.columns.map(({ lines }) => lines.at(-1)?.baseline ?? 48);
        const gap = Math.max(...feet) - Math.min(...feet);
        if (style === 'free') expect(gap, `${seed}`).toBeLessThanOrEqual(12.01);
        else if (gap > 12.01) apart++;
      }
    }
    // Two lines at each side of a column's end: where that and evenness cannot both be, the lines stay together.
    expect(apart).toBeLessThanOrEqual(20);
  });
});

describe('long stretches without a space', () => {
  const measured = async (text: string, style = 'body') => {
    const { lines, fits } = await composed(
      ...oneText([paragraph(style, text)], [], { grows: true }, { x: 50, y: 48, w: 120, h: 504 }),
    );
    expect(
      lines()
        .flatMap((line) => line.runs.map((run) => run.text))
        .join('')
        .replaceAll('-', '').length,
    ).toBeGreaterThan(0);
    return { lines: lines(), fit: fits.get('text')! };
  };

  it('cost what their length costs: paragraphs of ideographs, of hyphens, of joined emoji', async () => {
    // A growth of cost with the square of the length would take minutes here, and run into the test's time limit.
    const { lines } = await measured('风筝在海港上空'.repeat(1_430));
    expect(lines.length).toBeGreaterThan(500);
    await measured('a-'.repeat(20_000));
    await measured('👩‍👩‍👧‍👦'.repeat(1_500));
    await measured('x'.repeat(20_000));
    await measured('สวัสดีชาวโลก'.repeat(800));
  });

  it('are parted at syllables where they have any, and with a hyphen', async () => {
    const { lines } = await composed(
      ...oneText(
        [
          paragraph(
            'body',
            'The internationalisationalists and counterrevolutionaries met some uncharacteristicallyindustrious.',
          ),
        ],
        [],
        { grows: true },
        { x: 50, y: 48, w: 62, h: 504 },
      ),
    );
    const own = lines();
    const parted = own.filter((line, i) => own[i + 1] && own[i + 1]!.runs[0]!.from === line.runs.at(-1)!.to);
    expect(parted.length).toBeGreaterThan(3);
    expect(parted.filter((line) => !line.hyphenated)).toEqual([]);
  });
});

describe('limits of hyphens in a row', () => {
  it('hold also where the best way to each break by itself would break them', async () => {
    for (const consecutive of [1, 2, 3])
      for (let seed = 1; seed <= 30; seed++) {
        const { lines } = await composed(
          ...oneText(
            [paragraph('few', prose(120, seed).replaceAll('.', ' extraordinary considerations.'))],
            [
              paragraphStyle('few', {
                hyphenLimits: { word: 5, before: 2, after: 2, consecutive, lastWord: false, acrossColumns: true, capitals: true },
              }),
            ],
            { grows: true },
            { x: 50, y: 48, w: 80, h: 504 },
          ),
        );
        let row = 0;
        for (const line of lines()) {
          row = line.hyphenated ? row + 1 : 0;
          expect(row).toBeLessThanOrEqual(consecutive);
        }
      }
  });
});

describe('paragraphs with tabs', () => {
  it('are broken as a whole too, and justified behind their last tab', async () => {
    const text = `1.\t${prose(60)}`;
    const styles = [
      paragraphStyle('t', { tabs: [{ at: 20, align: 'left' }], leftIndent: 0 }),
      paragraphStyle('u', { breaking: 'first-fit', tabs: [{ at: 20, align: 'left' }] }),
    ];
    const best = await composed(...oneText([paragraph('t', text)], styles, { grows: true }, { x: 50, y: 48, w: 110, h: 504 }));
    const spaces = (lines: readonly Line[]) =>
      lines.filter((line) => !line.lastOfParagraph).map((line) => (line.wordSpace - 1) ** 2);
    const first = await composed(...oneText([paragraph('u', text)], styles, { grows: true }, { x: 50, y: 48, w: 110, h: 504 }));
    const sum = (list: number[]) => list.reduce((a, b) => a + b, 0);
    expect(sum(spaces(best.lines()))).toBeLessThan(sum(spaces(first.lines())));
    for (const line of best.lines().slice(0, -1)) expect(line.natural).toBeCloseTo(110, 0);
    expect(best.lines()[0]!.runs[1]!.x).toBeCloseTo(20, 6);
  });
});

it('a body and its pictures: nothing above is slow for fourteen blocks', async () => {
  const blocks = Array.from({ length: 14 }, (_, i) =>
    i % 2 === 0 ? figure({ picture: 'none', width: 120, align: 'left' }) : paragraph('body', prose(30, i)),
  );
  const { lines } = await composed(
    ...oneText(blocks, [], { grows: true }, { x: 50, y: 48, w: 120, h: 504 }),
    round({ x: 100, y: 80, w: 120, h: 4000 }),
  );
  expect(lines().length).toBeGreaterThan(14);
  expect(proseBody(10).childCount).toBe(1);
});
