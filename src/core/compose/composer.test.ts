import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  baseRecords,
  document,
  pictureFrame,
  pictureRecord,
  prose,
  proseBody,
  textFrame,
  textRecord,
} from '../../../tests/support/documents';
import { composerFor } from '../../../tests/support/faces';
import { takenBy, exclusion } from '../geometry/exclusion';
import { boxOutline } from '../geometry/outline';
import {
  docOf,
  fieldOf,
  paragraphOf,
  plainParagraphs,
  textOf,
  paragraphsOf,
  plainBody,
  plainText,
  stepsBetween,
} from '../records/body';
import { sidesOf } from '../records/frame';
import type { Document } from '../records/document';
import { applied, between, typing } from '../records/diff';
import { done } from '../records/rebase';
import { type Line, type PageList, runWidth, type TextItem } from './displayList/displayList';
import { fitWords } from './text/fit';
import { lineText } from './displayList/lineText';
import { sentencesOf } from './displayList/sentences';
import { inReadingOrder } from './displayList/readingOrder';

const AREA = { x: 50, y: 48, w: 300, h: 504 };

const textItems = (pages: readonly PageList[], text = 'text') =>
  pages.flatMap((page) => page.items.filter((item): item is TextItem => item.type === 'text' && item.text === text));
const linesOf = (pages: readonly PageList[], text = 'text'): Line[] =>
  textItems(pages, text).flatMap((item) => item.columns.flatMap((column) => column.lines));
const shownText = (pages: readonly PageList[], text = 'text') =>
  linesOf(pages, text)
    .map((line) => (line.hyphenated ? lineText(line).slice(0, -1) : `${lineText(line)} `))
    .join('');
// Without spaces, which vanish at line ends, soft hyphens, which turn into hyphens there, and controls, which are not shown.
const squeezed = (text: string) => text.replace(/[\s\u00AD\u200C\u0007]+/g, '');

describe('filling', () => {
  it('sets lines on the baseline grid, in columns, down and then across', async () => {
    const doc = document(
      ...baseRecords(),
      textRecord('text', proseBody(900)),
      textFrame('f', 'text', 'p1', AREA, { columns: 3 }),
    );
    const { composer } = await composerFor(doc);
    const [item] = textItems(composer.compose(doc).pages);
    expect(item!.columns).toHaveLength(3);
    for (const column of item!.columns) {
      expect(column.lines.length).toBeGreaterThan(38);
      column.lines.forEach((line, i) => {
        expect((line.baseline - 60) % 12).toBeCloseTo(0, 6);
        if (i > 0) expect(line.baseline - column.lines[i - 1]!.baseline).toBeCloseTo(12, 6);
        expect(line.x).toBeCloseTo(column.box.x, 6);
        expect(line.baseline).toBeLessThanOrEqual(AREA.y + AREA.h + 0.01);
      });
    }
  });

  it('justifies every line but the last of a paragraph', async () => {
    const doc = document(
      ...baseRecords(),
      textRecord('text', proseBody(400, 4)),
      textFrame('f', 'text', 'p1', AREA, { columns: 2 }),
    );
    const { composer } = await composerFor(doc);
    for (const line of linesOf(composer.compose(doc).pages)) {
      expect(line.overfull || line.natural <= line.width + 0.02).toBe(true);
      if (line.lastOfParagraph) expect(line.wordSpace).toBeLessThanOrEqual(1.000001);
      else if (!line.overfull && line.runs.length > 1) expect(line.natural).toBeCloseTo(line.width, 6);
    }
  });

  it('threads a text through frames on several pages, and measures what is over', async () => {
    const doc = document(
      ...baseRecords(3),
      textRecord('text', proseBody(1500, 10)),
      textFrame('f1', 'text', 'p1', { x: 50, y: 48, w: 142, h: 240 }),
      textFrame('f2', 'text', 'p3', { x: 50, y: 48, w: 142, h: 120 }, { order: 'a1' }),
    );
    const { composer } = await composerFor(doc);
    const { pages, fits } = composer.compose(doc);
    expect(textItems(pages).map(({ frame }) => frame)).toEqual(['f1', 'f2']);
    const fit = fits.get('text')!;
    expect(fit.oversetLines).toBe(fit.lines - linesOf(pages).length);
    expect(fit.oversetLines).toBeGreaterThan(50);
    expect(fitWords(fit)).toBe(`${fit.oversetLines} lines over`);
    const shown = squeezed(shownText(pages));
    expect(
      squeezed(
        doc.records.get('text')!.kind === 'text' ? paragraphsOf(proseBody(1500, 10)).map(plainText).join('') : '',
      ).startsWith(shown),
    ).toBe(true);
  });

  it('says how much room is left', async () => {
    const doc = document(...baseRecords(), textRecord('text', proseBody(30)), textFrame('f', 'text', 'p1', AREA));
    const { composer } = await composerFor(doc);
    const fit = composer.compose(doc).fits.get('text')!;
    expect(fit.oversetLines).toBe(0);
    expect(fit.room + fit.lines).toBe(42);
    expect(fitWords({ oversetLines: 0, room: 1 })).toBe('room for 1 line');
    expect(fitWords({ oversetLines: 0, room: 0 })).toBe('fits');
  });

  it('never ends a column with a heading', async () => {
    for (let words = 100; words < 190; words += 6) {
      const body = docOf([
        ...plainParagraphs('body', prose(words)),
        ...plainParagraphs('crosshead', 'A heading'),
        ...plainParagraphs('body', prose(60, 5)),
      ]);
      const doc = document(
        ...baseRecords(),
        textRecord('text', body),
        textFrame('f', 'text', 'p1', { x: 50, y: 48, w: 300, h: 240 }, { columns: 2 }),
      );
      const { composer } = await composerFor(doc);
      const [item] = textItems(composer.compose(doc).pages);
      for (const { lines, paragraphs } of item!.columns) {
        const at = paragraphs.indexOf(1);
        if (at >= 0 && lines.length > 0) expect(lines.length - at).toBeGreaterThanOrEqual(3);
      }
    }
  });

  it('leaves neither widow nor orphan where there is another way', async () => {
    for (let seed = 1; seed < 15; seed++) {
      const doc = document(
        ...baseRecords(),
        textRecord('text', proseBody(500, 9, seed)),
        textFrame('f', 'text', 'p1', { x: 50, y: 48, w: 300, h: 200 }, { columns: 3 }),
      );
      const { composer } = await composerFor(doc);
      const columns = textItems(composer.compose(doc).pages)[0]!.columns;
      columns.forEach(({ lines, paragraphs }, c) => {
        const first = paragraphs[0];
        const isRest = c > 0 && columns[c - 1]!.paragraphs.at(-1) === first;
        if (isRest) {
          const count = paragraphs.filter((paragraph) => paragraph === first).length;
          const ends = lines[count - 1]!.lastOfParagraph;
          if (ends) expect(count).toBeGreaterThanOrEqual(2);
        }
      });
    }
  });

  it('starts a paragraph in the next column, frame or page when it asks for it', async () => {
    const paragraph = (text: string, startIn?: 'column' | 'frame' | 'page') =>
      paragraphOf({ style: 'body', startIn }, [textOf(text)]);
    const body = docOf([
      paragraph('One.'),
      paragraph('Two.', 'column'),
      paragraph('Three.', 'frame'),
      paragraph('Four.', 'page'),
    ]);
    const doc = document(
      ...baseRecords(3),
      textRecord('text', body),
      textFrame('f1', 'text', 'p1', { x: 50, y: 48, w: 300, h: 200 }, { columns: 3 }),
      textFrame('f2', 'text', 'p1', { x: 50, y: 300, w: 300, h: 200 }, { columns: 2, order: 'a1' }, 'a1'),
      textFrame('f3', 'text', 'p2', { x: 50, y: 48, w: 300, h: 200 }, { order: 'a2' }),
    );
    const { composer } = await composerFor(doc);
    const items = textItems(composer.compose(doc).pages);
    const words = items.map((item) => item.columns.map((column) => column.lines.map(lineText).join(' ')));
    expect(words).toEqual([['One.', 'Two.', ''], ['Three.', ''], ['Four.']]);
  });

  it('hangs lists by their bullets and numbers', async () => {
    const item = (text: string, number?: number) =>
      paragraphOf(
        { style: 'body', list: number === undefined ? { kind: 'bullet', level: 0 } : { kind: 'number', level: 0, number } },
        [textOf(text)],
      );
    const doc = document(
      ...baseRecords(),
      textRecord('text', docOf([item(prose(30)), item('Seven.', 7)])),
      textFrame('f', 'text', 'p1', { ...AREA, w: 140 }),
    );
    const { composer } = await composerFor(doc);
    const lines = linesOf(composer.compose(doc).pages);
    expect(lineText(lines[0]!)).toMatch(/^• [A-Z]/);
    expect(lineText(lines.at(-1)!)).toBe('7. Seven.');
    expect(lines[1]!.x + lines[1]!.runs[0]!.x).toBeCloseTo(50 + 1.25 * 9, 6);
    expect(lines[0]!.runs[0]!.x).toBeLessThan(lines[0]!.runs[1]!.x);
  });

  it('fills fields with what stands on each page', async () => {
    const folio = paragraphOf({ style: 'body' }, [fieldOf({ name: 'publication' }), textOf(', '), fieldOf({ name: 'folio' })]);
    const doc = document(
      ...baseRecords(3),
      textRecord('folio', docOf([folio]), { role: 'furniture' }),
      textFrame('mf', 'folio', 'master', { x: 50, y: 570, w: 200, h: 12 }, { grows: true }),
    );
    const { composer } = await composerFor(doc);
    const { pages } = composer.compose(doc);
    expect(linesOf(pages, 'folio').map(lineText)).toEqual(['Longspar, 1', 'Longspar, 2', 'Longspar, 3']);
  });

  it('makes a growing frame as high as its text, and other texts keep away from it', async () => {
    const quote = {
      ...textFrame('q', 'quote', 'p1', { x: 50, y: 120, w: 142, h: 10 }, { grows: true, ignoresWraps: true }, 'a5'),
      wrap: { mode: 'frame' as const, standOff: 8, outline: 'alpha' as const },
    };
    const doc = document(
      ...baseRecords(),
      textRecord('text', proseBody(300)),
      textRecord('quote', plainBody('pullQuote', 'A kite is finished when it is broken, she says to anybody who asks.'), {
        role: 'quote',
      }),
      textFrame('f', 'text', 'p1', { x: 50, y: 48, w: 142, h: 480 }),
      quote,
    );
    const { composer } = await composerFor(doc);
    const { pages, grown } = composer.compose(doc);
    const box = grown.get('q')!;
    expect(box.h).toBeGreaterThan(3 * 16);
    for (const line of linesOf(pages)) {
      const clear = line.baseline + line.descent <= box.y - 8 + 0.01 || line.baseline - line.ascent >= box.y + box.h + 8 - 0.01;
      expect(clear).toBe(true);
    }
  });
});

describe('wrapping', () => {
  const diamond = [[0.5, 0, 1, 0.5, 0.5, 1, 0, 0.5]];

  it.each(['frame', 'outline', 'clear'] as const)('keeps every line out of a picture: %s', async (mode) => {
    const doc = document(
      ...baseRecords(),
      pictureRecord('pic', { outlines: { alpha: diamond }, transparent: true }),
      textRecord('text', proseBody(1200, 8)),
      textFrame('f', 'text', 'p1', AREA, { columns: 2 }),
      pictureFrame('pf', 'pic', 'p1', { x: 130, y: 150, w: 160, h: 160 }, { mode, standOff: 10 }),
    );
    const { composer } = await composerFor(doc);
    const box = { x: 130, y: 150, w: 160, h: 160 };
    const outline =
      mode === 'outline' ? diamond.map((ring) => ring.map((v, i) => (i % 2 ? 150 + v * 160 : 130 + v * 160))) : boxOutline(box);
    const taken = exclusion(outline, sidesOf(10), mode === 'clear' ? 'clear' : 'both', box);
    const lines = linesOf(composer.compose(doc).pages);
    expect(lines.length).toBeGreaterThan(40);
    for (const line of lines) {
      const pairs = takenBy(taken, line.baseline - line.ascent, line.baseline + line.descent);
      const right = Math.max(...line.runs.map((run) => line.x + run.x + runWidth(run, line)));
      for (let i = 0; i < pairs.length; i += 2)
        expect(line.x >= pairs[i + 1]! - 0.02 || right <= pairs[i]! + 0.02 || line.overfull).toBe(true);
    }
  });

  it('runs on both sides of a picture in one column, left before right', async () => {
    const doc = document(
      ...baseRecords(),
      pictureRecord('pic'),
      textRecord('text', proseBody(700)),
      textFrame('f', 'text', 'p1', AREA),
      pictureFrame('pf', 'pic', 'p1', { x: 160, y: 120, w: 80, h: 120 }, { mode: 'frame', standOff: 6 }),
    );
    const { composer } = await composerFor(doc);
    const lines = linesOf(composer.compose(doc).pages);
    const rows = new Map<number, Line[]>();
    for (const line of lines) rows.set(line.baseline, [...(rows.get(line.baseline) ?? []), line]);
    const split = [...rows.values()].filter((row) => row.length === 2);
    expect(split.length).toBeGreaterThanOrEqual(9);
    for (const [left, right] of split) expect(left!.x).toBeLessThan(right!.x);
    expect(
      squeezed(paragraphsOf(proseBody(700)).map(plainText).join('')).startsWith(squeezed(shownText(composer.compose(doc).pages))),
    ).toBe(true);
  });

  it('works whatever lies above or below, and over the spine', async () => {
    const picture = pictureFrame('pf', 'pic', 'p2', { x: 340, y: 150, w: 160, h: 100 }, { mode: 'frame', standOff: 5 });
    const doc = document(
      ...baseRecords(3),
      pictureRecord('pic'),
      textRecord('text', proseBody(900)),
      textFrame('f', 'text', 'p3', AREA, { columns: 1 }),
      { ...picture, order: 'Zz' },
    );
    const { composer } = await composerFor(doc);
    const beside = linesOf(composer.compose(doc).pages).filter((line) => line.baseline > 160 && line.baseline < 245);
    // The picture reaches 100 pt onto the right page; its stand-off ends at 105.
    expect(beside.length).toBeGreaterThan(4);
    for (const line of beside) expect(line.x).toBeGreaterThanOrEqual(105 - 0.01);
  });

  it('leaves a text alone that ignores wraps', async () => {
    const doc = document(
      ...baseRecords(),
      pictureRecord('pic'),
      textRecord('text', proseBody(300)),
      textFrame('f', 'text', 'p1', AREA, { ignoresWraps: true }),
      pictureFrame('pf', 'pic', 'p1', AREA, { mode: 'frame', standOff: 5 }),
    );
    const { composer } = await composerFor(doc);
    expect(linesOf(composer.compose(doc).pages).length).toBeGreaterThan(10);
  });
});

describe('composing again', () => {
  const make = () =>
    document(
      ...baseRecords(4),
      pictureRecord('pic'),
      textRecord('text', proseBody(2000, 20)),
      textFrame('f1', 'text', 'p2', AREA, { columns: 3 }),
      textFrame('f2', 'text', 'p3', AREA, { columns: 3, order: 'a1' }),
      pictureFrame('pf', 'pic', 'p2', { x: 150, y: 300, w: 100, h: 100 }, { mode: 'frame', standOff: 6 }),
    );

  it('gives the very same pages when nothing changed', async () => {
    const doc = make();
    const { composer } = await composerFor(doc);
    const first = composer.compose(doc).pages;
    const second = composer.compose(doc).pages;
    second.forEach((page, i) => expect(page).toBe(first[i]));
  });

  it('comes to what composing afresh comes to, wherever a picture is moved', async () => {
    let doc = make();
    const { composer } = await composerFor(doc);
    composer.compose(doc);
    for (const [x, y] of [
      [60, 60],
      [170, 300],
      [171, 301],
      [240, 480],
      [60, 61],
    ]) {
      const frame = doc.records.get('pf')!;
      if (frame.kind !== 'frame') throw new Error();
      const after = { ...frame, box: { ...frame.box, x: x!, y: y! } };
      doc = applied(doc, { added: [], updated: [{ before: frame, after }], removed: [], texts: [] });
      const again = composer.compose(doc);
      const afresh = (await composerFor(doc)).composer.compose(doc);
      expect(linesOf(again.pages).map((line) => [line.x, line.baseline, lineText(line)])).toEqual(
        linesOf(afresh.pages).map((line) => [line.x, line.baseline, lineText(line)]),
      );
      expect(again.fits.get('text')).toEqual(afresh.fits.get('text'));
    }
  });

  it('keeps the lines of paragraphs that a change does not reach', async () => {
    const doc = make();
    const { composer } = await composerFor(doc);
    const before = linesOf(composer.compose(doc).pages);
    const text = doc.records.get('text')!;
    if (text.kind !== 'text') throw new Error();
    const content = [...text.body.content.content];
    content[15] = paragraphOf({ style: 'body' }, [textOf(`${plainText(content[15]!)} x`)]);
    const next = applied(doc, typing('text', done(text.body, stepsBetween(text.body, docOf(content)))));
    const after = linesOf(composer.compose(next).pages);
    const kept = new Set(before);
    expect(after.filter((line) => kept.has(line)).length).toBeGreaterThan(0.6 * after.length);
    expect(between(doc, next).texts).toHaveLength(1);
  });
});

describe('random documents', () => {
  const word = fc.oneof(
    { weight: 30, arbitrary: fc.constantFrom(...prose(200, 4).split(' ')) },
    {
      weight: 2,
      arbitrary: fc.constantFrom(
        'Donaudampfschifffahrtsgesellschaftskapitän',
        'x'.repeat(120),
        'e\u0301a\u0300',
        '🪁',
        '凧揚げ',
        'عربي',
        'a\u200Bb',
        'non\u00A0breaking',
        'well-known',
        'and/or',
        '—',
        '\u0007',
        'soft\u00ADhyphen',
      ),
    },
  );
  const paragraph = fc.record({
    words: fc.array(word, { maxLength: 60 }),
    style: fc.constantFrom('body', 'body', 'crosshead', 'headline'),
    startIn: fc.constantFrom(undefined, undefined, undefined, 'column' as const, 'page' as const),
  });
  const box = fc.record({
    x: fc.integer({ min: 0, max: 300 }),
    y: fc.integer({ min: 0, max: 500 }),
    w: fc.integer({ min: 0, max: 300 }),
    h: fc.integer({ min: 0, max: 400 }),
  });

  // What typesetting.md calls safe: every character in exactly one place, shown or overset, in order; nothing overlaps an exclusion.
  it('keep every character in exactly one place, in order, and keep out of pictures', async () => {
    const { composer } = await composerFor(document(...baseRecords()));
    fc.assert(
      fc.property(
        fc.array(paragraph, { minLength: 1, maxLength: 8 }),
        fc.array(fc.record({ box, columns: fc.integer({ min: 1, max: 4 }), page: fc.integer({ min: 1, max: 3 }) }), {
          minLength: 1,
          maxLength: 4,
        }),
        fc.array(
          fc.record({ box, page: fc.integer({ min: 1, max: 3 }), mode: fc.constantFrom('frame' as const, 'clear' as const) }),
          { maxLength: 3 },
        ),
        fc.constantFrom('total-fit' as const, 'first-fit' as const),
        (paragraphs, frames, pictures, breaking) => {
          const content = paragraphs.map(({ words, style, startIn }) => {
            const text = words.join(' ');
            return paragraphOf({ style, startIn: startIn ?? undefined }, text === '' ? [] : [textOf(text)]);
          });
          const doc: Document = document(
            ...baseRecords(3, { breaking }),
            pictureRecord('pic'),
            textRecord('text', docOf(content)),
            ...frames.map((frame, i) =>
              textFrame(`f${i}`, 'text', `p${frame.page}`, frame.box, { columns: frame.columns, order: `a${i}` }),
            ),
            ...pictures.map((picture, i) =>
              pictureFrame(`pf${i}`, 'pic', `p${picture.page}`, picture.box, { mode: picture.mode, standOff: 4 }),
            ),
          );
          const { pages, fits } = composer.compose(doc);
          const fit = fits.get('text')!;
          const items = textItems(pages).sort((a, b) => (a.frame < b.frame ? -1 : 1));
          const shown = items.flatMap((item) =>
            item.columns.flatMap((column) => column.lines.map((line, i) => ({ line, paragraph: column.paragraphs[i]! }))),
          );
          const text = squeezed(
            shown.map(({ line }) => (line.hyphenated ? lineText(line).slice(0, -1) : lineText(line))).join(''),
          );
          const all = squeezed(content.map(plainText).join(''));
          expect(all.startsWith(text)).toBe(true);
          expect(shown.length + fit.oversetLines).toBe(fit.lines);
          if (fit.oversetLines === 0) expect(text).toBe(all);
          else {
            const { paragraph: at, offset } = fit.oversetFrom!;
            const rest = content.slice(at).map((node, i) => plainText(node).slice(i === 0 ? offset : 0));
            expect(squeezed(rest.join('')).length).toBe(all.length - text.length);
          }
          // Left and right pages of a spread share exclusions; here it is enough to look at each page's own.
          for (const list of pages) {
            const own = pictures
              .filter(({ page }) => `p${page}` === list.page)
              .map((picture) =>
                exclusion(boxOutline(picture.box), sidesOf(4), picture.mode === 'clear' ? 'clear' : 'both', picture.box),
              );
            for (const item of list.items) {
              if (item.type !== 'text') continue;
              for (const column of item.columns) {
                for (const line of column.lines) {
                  if (line.runs.length === 0) continue;
                  for (const each of own) {
                    // Clearing is for the columns that a picture reaches, not for those beside them.
                    if (
                      each.flow === 'clear' &&
                      (each.reach.x >= column.box.x + column.box.w || each.reach.x + each.reach.w <= column.box.x)
                    )
                      continue;
                    const pairs = takenBy(each, line.baseline - line.ascent, line.baseline + line.descent);
                    for (let i = 0; i < pairs.length; i += 2)
                      expect(line.x >= pairs[i + 1]! - 0.02 || line.x + line.width <= pairs[i]! + 0.02).toBe(true);
                  }
                }
              }
            }
          }
        },
      ),
      { numRuns: 250, seed: 87 },
    );
  });
});

describe('sentences and reading order', () => {
  it('are found by the rules of Unicode, with their places on the pages', async () => {
    const body = plainBody('body', 'Dr. Fenn planes ash. “Is it right?” It is. ' + prose(60), 'A last one.');
    const doc = document(...baseRecords(), textRecord('text', body), textFrame('f', 'text', 'p1', { ...AREA, w: 120 }));
    const { composer } = await composerFor(doc);
    const { pages } = composer.compose(doc);
    const text = doc.records.get('text')!;
    if (text.kind !== 'text') throw new Error();
    const sentences = sentencesOf(text, 'en-GB', pages);
    expect(sentences.map(({ words }) => words)).toContain('It is.');
    expect(sentences.at(-1)).toMatchObject({ words: 'A last one.', paragraph: 1, from: 0, to: 11 });
    for (const { boxes } of sentences) expect(boxes.length).toBeGreaterThan(0);
    const long = sentences.find(({ words }) => words.length > 60)!;
    expect(long.boxes.length).toBeGreaterThan(1);
  });

  it('reads headline before body, story by story, but keeps what lies over something after it', async () => {
    const doc = document(
      ...baseRecords(),
      { id: 's1', kind: 'story', name: 'One', section: '', order: 'a0', tint: 0, parts: { headline: 'h1', body: 'b1' } },
      textRecord('b1', plainBody('body', 'Body one.'), { story: 's1' }),
      textRecord('h1', plainBody('headline', 'Head one'), { story: 's1', role: 'headline' }),
      textRecord('b2', plainBody('body', 'Body two.'), { story: 's2' }),
      textFrame('f2', 'b2', 'p1', { x: 50, y: 300, w: 100, h: 50 }, {}, 'a0'),
      textFrame('f1', 'b1', 'p1', { x: 50, y: 100, w: 100, h: 50 }, {}, 'a1'),
      textFrame('fh', 'h1', 'p1', { x: 50, y: 60, w: 100, h: 30 }, {}, 'a2'),
      {
        ...pictureFrame('panel', undefined, 'p1', { x: 40, y: 290, w: 200, h: 100 }),
        order: 'Zz',
        content: { type: 'panel' },
        fill: { swatch: 'tint', tint: 1 },
      },
    );
    const { composer } = await composerFor(doc);
    const order = inReadingOrder(doc, composer.compose(doc).pages[0]!.items).map(({ frame }) => frame);
    expect(order).toEqual(['panel', 'fh', 'f1', 'f2']);
  });
});
