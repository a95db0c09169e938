import type { Node } from 'prosemirror-model';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  cellOf,
  figure,
  mark,
  tableOf,
  characterStyle,
  composed,
  looks,
  oneText,
  paragraph,
  paragraphStyle,
  text,
} from '../../../tests/support/composed';
import {
  baseRecords,
  document,
  pictureFrame,
  pictureRecord,
  prose,
  textFrame,
  textRecord,
} from '../../../tests/support/documents';
import { composerFor } from '../../../tests/support/faces';
import { exclusion, takenIn } from '../geometry/exclusion';
import { docOf, paragraphsOf, plainText } from '../records/body';
import { sidesOf } from '../records/frame';
import type { DocumentRecord, FrameRecord } from '../records/index';
import type { ParagraphProperties } from '../records/paragraphStyle';
import { contourOf, outlineOf } from './frames/contours';
import { oversetText } from './text/fit';
import { lineText } from './displayList/lineText';

const BOX = { x: 50, y: 48, w: 140, h: 240 };

/** All text that is shown and over, without spaces and what is only shown as something else at a line's end. */
const bare = (of: string) => of.replace(/[\s\u00AD\u200B-\u200D\u2060\uFEFF\u0000-\u001F\uFFFC]+/g, '');

describe('a text that nobody would expect', () => {
  const cases: Record<string, string> = {
    empty: '',
    'one word': 'Wind',
    'a word longer than the measure': `A ${'longword'.repeat(30)} stands here.`,
    'an address': 'See https://longspar.example/issues/14/what-the-gust-meter-heard?from=contents&page=6 for more.',
    Hebrew: 'The word שלום עולם means peace.',
    Arabic: 'A kite is طائرة ورقية there.',
    Greek: 'The wind, ἄνεμος, and Cyrillic, ветер.',
    'a script no face has': 'Written ᚠᚢᚦᚨᚱᚲ and 風箏 here.',
    emoji: 'A kite 🪁 and a family 👨‍👩‍👧‍👦 and a flag 🇬🇧 and a tone 👍🏽.',
    'combining marks': 'e\u0301a\u0308o\u0302\u0323 n\u0303 and a tall stack z\u0300\u0301\u0302\u0303\u0304.',
    'zero-width characters': 'zero\u200Bwidth\u200Cjoin\u200Der\u2060word\uFEFFmark',
    'control characters': 'bell\u0007 null\u0000 escape\u001B tab\there',
    'spaces and hyphens that do not break': 'ten\u00A0kites non\u2011breaking soft\u00ADhyphen',
    'only spaces': '          ',
    'only line ends': '\n\n\n',
  };

  it.each(Object.entries(cases))('%s: is all there, in order', async (_, words) => {
    const { texts, fits } = await composed(...oneText([paragraph('body', words)], [], {}, BOX));
    const shown = texts().map((line) => (line.endsWith('-') && !words.includes('-') ? line.slice(0, -1) : line));
    if (!/Hebrew|Arabic/.test(_)) expect(bare(shown.join(''))).toBe(bare(words));
    else expect([...bare(shown.join(''))].sort()).toEqual([...bare(words)].sort());
    expect(fits.get('text')!.oversetLines).toBe(0);
  });

  it('in scripts of other faces is shown by them, and told', async () => {
    const { lines, fits } = await composed(...oneText([paragraph('body', `${cases.Hebrew} ${cases.emoji} ${cases.Arabic}`)]));
    const faces = new Set(lines().flatMap((line) => line.runs.map((run) => run.look.face)));
    for (const face of ['NotoSansHebrew-400', 'NotoSansArabic-400', 'NotoEmoji-400']) expect(faces).toContain(face);
    expect(fits.get('text')!.lacks).toEqual(expect.arrayContaining(['ש', '🪁']));
    expect(fits.get('text')!.missing).toBe(0);
    const none = await composed(...oneText([paragraph('body', cases['a script no face has']!)]));
    // The six runes; Han is in a face of its own.
    expect(none.fits.get('text')!.missing).toBe(6);
  });

  // UAX #9: words written from right to left that follow one another stand right to left.
  it('from right to left has its words and letters in that order', async () => {
    const { lines } = await composed(...oneText([paragraph('body', 'peace שלום עולם end')], [], {}, { ...BOX, w: 300 }));
    const x = (word: string) => lines()[0]!.runs.find((run) => run.text === word)!.x;
    expect(x('עולם')).toBeLessThan(x('שלום'));
    expect(x('peace')).toBeLessThan(x('עולם'));
    expect(x('end')).toBeGreaterThan(x('שלום'));
    const { shaped } = lines()[0]!.runs.find((run) => run.text === 'שלום')!;
    expect([...shaped.clusters]).toEqual([3, 2, 1, 0]);
  });

  it('of 200,000 characters is set, with and without spaces', async () => {
    for (const words of [prose(34_000), 'x'.repeat(200_000)]) {
      const { fits, texts } = await composed(...oneText([paragraph('body', words)], [], {}, BOX));
      expect(fits.get('text')!.oversetLines).toBeGreaterThan(1000);
      expect(texts().length).toBeGreaterThan(15);
    }
  });

  it('of 500 nested list levels keeps half of its measure', async () => {
    const content = Array.from({ length: 500 }, (_, level) =>
      paragraph('body', 'An item of a list.', { list: { kind: 'bullet', level } }),
    );
    const { lines, fits } = await composed(...oneText(content, [], {}, { ...BOX, h: 504 }));
    for (const line of lines()) expect(line.width).toBeGreaterThanOrEqual(69.9);
    expect(fits.get('text')!.lines).toBeGreaterThanOrEqual(500);
  });
});

describe('a place that nobody would make', () => {
  const words = [paragraph('body', prose(60)), paragraph('body', prose(30, 2))];
  it.each([
    ['narrower than a letter', { ...BOX, w: 2 }],
    ['without width', { ...BOX, w: 0 }],
    ['without height', { ...BOX, h: 0 }],
    ['lower than a line', { ...BOX, h: 5 }],
    ['outside of its page', { x: -900, y: 2000, w: 100, h: 50 }],
  ])('%s: nothing is lost', async (_, box) => {
    const { fits, texts, doc } = await composed(...oneText(words, [], {}, box));
    const fit = fits.get('text')!;
    expect(texts().length + fit.oversetLines).toBe(fit.lines);
    const body = docOf(words);
    const shown = texts().map((line) => line.replace(/-$/, ''));
    expect(bare(shown.join('') + oversetText(body, fit))).toBe(bare(paragraphsOf(body).map(plainText).join('')));
    expect(doc.records.size).toBeGreaterThan(5);
  });

  it('covered by an exclusion shows nothing and tells all of it', async () => {
    const { fits, texts } = await composed(
      ...oneText(words, [], { columns: 2 }),
      pictureFrame('pf', undefined, 'p1', { x: -50, y: -50, w: 300, h: 900 }, { mode: 'frame', standOff: 20 }),
      pictureFrame('pf2', undefined, 'p1', { x: 240, y: -50, w: 300, h: 900 }, { mode: 'frame', standOff: 20 }),
    );
    expect(texts()).toEqual([]);
    expect(fits.get('text')!.oversetWords).toBe(90);
    const growing = await composed(
      ...oneText(words, [], { grows: true }),
      pictureFrame('pf', undefined, 'p1', { x: -50, y: -50, w: 600, h: 900 }, { mode: 'clear', standOff: 0 }),
    );
    expect(growing.texts().length).toBeGreaterThan(9);
  });

  it('on a picture that fills its page shows its text: there is no other place for it', async () => {
    const { fits, texts } = await composed(
      ...oneText(words, [], { columns: 2 }),
      pictureFrame('pf', undefined, 'p1', { x: -9, y: -9, w: 418, h: 618 }, { mode: 'frame', standOff: 20 }),
    );
    expect(texts().length).toBeGreaterThan(9);
    expect(fits.get('text')!.oversetWords).toBe(0);
  });

  it('where keeps contradict one another shows all, and says that one gave way', async () => {
    const stubborn = paragraphStyle('stubborn', { keepTogether: true, keepNext: 5, orphans: 9, widows: 9 });
    const content = Array.from({ length: 9 }, (_, i) => paragraph('stubborn', prose(40, i + 1)));
    const { fits, texts } = await composed(...oneText(content, [stubborn], { columns: 3 }, { x: 50, y: 48, w: 300, h: 96 }));
    const fit = fits.get('text')!;
    expect(texts().length).toBeGreaterThan(10);
    expect(texts().length + fit.oversetLines).toBe(fit.lines);
    expect(fit.gaveWay).toBeGreaterThan(0);
  });
});

describe('random documents with everything in them', () => {
  const style = fc.record(
    {
      size: fc.integer({ min: 6, max: 30 }),
      leading: fc.integer({ min: 6, max: 36 }),
      align: fc.constantFrom('justify', 'left', 'centre', 'right', 'towardsSpine', 'awayFromSpine'),
      lastLine: fc.constantFrom('left', 'justify'),
      breaking: fc.constantFrom('total-fit', 'first-fit'),
      firstIndent: fc.integer({ min: -5, max: 30 }),
      leftIndent: fc.integer({ min: 0, max: 90 }),
      rightIndent: fc.integer({ min: 0, max: 60 }),
      spaceBefore: fc.integer({ min: 0, max: 30 }),
      spaceAfter: fc.integer({ min: 0, max: 30 }),
      onGrid: fc.boolean(),
      orphans: fc.integer({ min: 1, max: 5 }),
      widows: fc.integer({ min: 1, max: 5 }),
      keepNext: fc.integer({ min: 0, max: 3 }),
      keepTogether: fc.boolean(),
      startIn: fc.constantFrom(null, null, null, 'column', 'frame', 'page', 'oddPage'),
      spans: fc.constantFrom(false, false, false, true),
      dropCap: fc.constantFrom(null, null, { lines: 3, letters: 2, gap: 2 }),
      leadIn: fc.constantFrom(null, null, { extent: 3, style: 'caps' }, { extent: 'line', style: 'caps' }),
      hanging: fc.constantFrom(0, 1),
      looseness: fc.constantFrom(0, 0, 1, -1),
      letterSpace: fc.constantFrom({ least: 0, best: 0, most: 0 }, { least: -0.02, best: 0.01, most: 0.05 }),
      glyphScale: fc.constantFrom({ least: 1, best: 1, most: 1 }, { least: 0.95, best: 0.99, most: 1.05 }),
      endMark: fc.constantFrom(null, { text: '■' }),
    },
    { requiredKeys: [] },
  ) as fc.Arbitrary<Partial<ParagraphProperties>>;
  const word = fc.oneof(
    {
      weight: 9,
      arbitrary: fc.constantFrom('wind', 'kite', 'the', 'a', 'extraordinary', 'remembers', 'well-known', 'observatory.'),
    },
    {
      weight: 1,
      arbitrary: fc.constantFrom('עולם', '🪁', 'e\u0301', 'x'.repeat(60), '\t', '\u2028', 'soft\u00ADhyphen', '\u0000'),
    },
  );
  const words = fc.array(word, { maxLength: 50 }).map((list) => list.join(' '));
  const para = fc.record({ words, style: fc.constantFrom('s0', 's1', 's2'), marked: fc.boolean() });
  const block = fc.oneof(
    {
      weight: 6,
      arbitrary: para.map(({ words: own, style: id, marked }) =>
        paragraph(id, own === '' ? '' : [text(own, ...(marked ? [mark('character', { style: 'caps' })] : []))]),
      ),
    },
    {
      weight: 1,
      arbitrary: fc.array(fc.array(words, { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 4 }).map((rows) =>
        tableOf(
          rows.map((cells) => cells.map((own) => cellOf([paragraph('s0', own)]))),
          { columns: [{ points: 40 }, { share: 1 }, { share: 1 }], headerRows: 1, inset: 2 },
        ),
      ),
    },
    { weight: 1, arbitrary: fc.constant(figure({ picture: 'pic' })) },
  );
  const box = fc.record({
    x: fc.integer({ min: 0, max: 300 }),
    y: fc.integer({ min: 0, max: 500 }),
    w: fc.integer({ min: 0, max: 300 }),
    h: fc.integer({ min: 0, max: 400 }),
  });
  const frame = fc.record({
    box,
    page: fc.integer({ min: 1, max: 3 }),
    columns: fc.integer({ min: 1, max: 4 }),
    more: fc.record(
      {
        balanced: fc.boolean(),
        align: fc.constantFrom('top', 'centre', 'bottom', 'spread'),
        firstBaseline: fc.constantFrom('ascent', 'capHeight', 'leading', 20),
        turns: fc.constantFrom(0, 0, 1, 2, 3),
        inset: fc.constantFrom(0, 5, { top: 1, right: 2, bottom: 3, left: 4 }),
      },
      { requiredKeys: [] },
    ),
    shape: fc.constantFrom(undefined, undefined, { type: 'ellipse' }, { type: 'rounded', radius: 20 }),
  });
  const picture = fc.record({
    box,
    page: fc.integer({ min: 1, max: 3 }),
    mode: fc.constantFrom('frame', 'outline', 'clear'),
    side: fc.constantFrom('both', 'left', 'right', 'wider'),
    standOff: fc.constantFrom(0, 4, { top: 2, right: 9, bottom: 0, left: 5 }),
  });
  const documents = fc.record({
    styles: fc.tuple(style, style, style),
    blocks: fc.array(block, { minLength: 1, maxLength: 7 }),
    frames: fc.array(frame, { minLength: 1, maxLength: 4 }),
    pictures: fc.array(picture, { maxLength: 3 }),
  });

  const made = (of: typeof documents extends fc.Arbitrary<infer T> ? T : never): DocumentRecord[] => [
    ...baseRecords(3),
    characterStyle('caps', { letterCase: 'smallCapitals', tracking: 30 }),
    ...of.styles.map((properties, i) => paragraphStyle(`s${i}`, properties)),
    pictureRecord('pic', { width: 300, height: 200 }),
    textRecord('text', docOf(of.blocks), { story: 'story' }),
    ...of.frames.map(
      (each, i) =>
        ({
          ...textFrame(`f${i}`, 'text', `p${each.page}`, each.box, {
            columns: each.columns,
            order: `a${i}`,
            ...each.more,
          } as object),
          ...(each.shape ? { shape: each.shape } : {}),
        }) as FrameRecord,
    ),
    ...of.pictures.map((each, i) => ({
      ...pictureFrame(`pf${i}`, undefined, `p${each.page}`, each.box, {
        mode: each.mode,
        side: each.side,
        standOff: each.standOff,
        outline: 'shape',
      } as object),
      shape: { type: 'ellipse' as const },
    })),
  ];

  // What typesetting.md calls safe: every character of every text is in exactly one place, shown or overset, in order.
  it('have every character in exactly one place, in order', async () => {
    const { composer } = await composerFor(document(...baseRecords(), textRecord('t', docOf([paragraph('body', 'עולם🪁')]))));
    fc.assert(
      fc.property(documents, (of) => {
        const doc = document(...made(of));
        const { items, fits } = looks(composer.compose(doc));
        const fit = fits.get('text')!;
        const leaves = paragraphsOf(docOf(of.blocks));
        const seen = leaves.map((leaf) => new Uint8Array(plainText(leaf).length));
        let last = { leaf: -1, from: 0 };
        for (const item of [...items()].sort((a, b) => (a.frame < b.frame ? -1 : 1))) {
          for (const { lines, paragraphs } of item.columns) {
            lines.forEach((line, i) => {
              const leaf = paragraphs[i]!;
              if (leaf < 0) return;
              const from = Math.min(...line.runs.filter((run) => run.to > run.from).map((run) => run.from), Infinity);
              if (from < Infinity) {
                const inOrder = leaf > last.leaf || (leaf === last.leaf && from >= last.from) || isInTable(of.blocks, leaf);
                expect(inOrder).toBe(true);
                last = { leaf, from };
              }
              for (const run of line.runs) for (let at = run.from; at < run.to; at++) seen[leaf]![at]!++;
            });
          }
        }
        const over = fit.oversetFrom;
        leaves.forEach((leaf, index) => {
          const own = plainText(leaf);
          const table = isInTable(of.blocks, index);
          for (let at = 0; at < own.length; at++) {
            if (/[\s\u2028\u0000]/.test(own[at]!)) continue;
            expect(seen[index]![at]).toBeLessThanOrEqual(1);
            const isOver = over && (index > over.paragraph || (index === over.paragraph && at >= over.offset));
            if (!isOver && !table) expect(seen[index]![at], `${own[at]} at ${index}/${at}`).toBe(1);
            if (isOver && !table) expect(seen[index]![at]).toBe(0);
          }
        });
      }),
      { numRuns: 300, seed: 14 },
    );
  });

  const isInTable = (blocks: readonly Node[], leaf: number): boolean => {
    let at = 0;
    for (const each of blocks) {
      const n = each.type.name === 'paragraph' ? 1 : each.type.name === 'table' ? paragraphsOf(docOf([each])).length : 0;
      if (leaf < at + n) return each.type.name === 'table';
      at += n;
    }
    return false;
  };

  it('have no line that overlaps an exclusion', async () => {
    const { composer } = await composerFor(document(...baseRecords(), textRecord('t', docOf([paragraph('body', 'עולם🪁')]))));
    fc.assert(
      fc.property(documents, (of) => {
        const doc = document(
          ...made({ ...of, styles: of.styles.map((each) => ({ ...each, dropCap: null })) as typeof of.styles }),
        );
        for (const page of composer.compose(doc).pages) {
          const own = of.pictures.filter(({ page: n }) => `p${n}` === page.page);
          for (const item of page.items) {
            if (item.type !== 'text' || item.transform) continue;
            const frame = of.frames[Number(item.frame.slice(1))]!;
            // Lines that a frame moves after they were set stand where it wants them.
            if (frame.more.align !== undefined && frame.more.align !== 'top') continue;
            for (const column of item.columns) {
              for (const line of column.lines) {
                if (line.runs.length === 0 || line.ascent === 0) continue;
                for (const each of own) {
                  const outline =
                    each.mode === 'outline'
                      ? outlineOf(contourOf({ type: 'ellipse' }, each.box))
                      : outlineOf(contourOf(undefined, each.box));
                  const flow = each.mode === 'clear' ? 'clear' : each.side;
                  const region = exclusion(outline, sidesOf(each.standOff), flow as 'both', each.box);
                  if (region.reach.x >= column.box.x + column.box.w || region.reach.x + region.reach.w <= column.box.x) continue;
                  const taken = takenIn(
                    region,
                    line.baseline - line.ascent,
                    line.baseline + line.descent,
                    column.box.x,
                    column.box.x + column.box.w,
                  );
                  const right = line.x + (line.overfull ? line.width : line.natural);
                  for (let i = 0; i < taken.length; i += 2)
                    expect(line.x >= taken[i + 1]! - 0.05 || right <= taken[i]! + 0.05, lineText(line)).toBe(true);
                }
              }
            }
          }
        }
      }),
      { numRuns: 300, seed: 87 },
    );
  });

  it('come out the same from scratch as from change to change', async () => {
    const { composer } = await composerFor(document(...baseRecords(), textRecord('t', docOf([paragraph('body', 'עולם🪁')]))));
    const plain = (doc: ReturnType<typeof document>, from: typeof composer) => {
      const { items, fits } = looks(from.compose(doc));
      return {
        fit: fits.get('text'),
        lines: items().flatMap((item) =>
          item.columns.flatMap((column) =>
            column.lines.map((line) =>
              [item.frame, lineText(line), line.x.toFixed(4), line.baseline.toFixed(4), line.wordSpace.toFixed(6)].join(' '),
            ),
          ),
        ),
      };
    };
    await fc.assert(
      fc.asyncProperty(documents, documents, async (a, b) => {
        const first = document(...made(a));
        // The same text in other places, the other text in the same places, and back.
        const states = [
          made({ ...a, pictures: b.pictures }),
          made({ ...a, frames: b.frames }),
          made({ ...a, blocks: b.blocks }),
          made(a),
        ];
        plain(first, composer);
        for (const records of states) {
          const doc = document(...records);
          const { composer: fresh } = await composerFor(
            document(...records, textRecord('t', docOf([paragraph('body', 'עולם🪁')]))),
          );
          expect(plain(doc, composer)).toEqual(plain(doc, fresh));
        }
      }),
      { numRuns: 40, seed: 1206 },
    );
  });
});
