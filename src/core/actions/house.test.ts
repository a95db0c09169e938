import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { baseRecords, document, pictureFrame, proseBody, textFrame, textRecord, flawOf } from '../../../tests/support/documents';
import { mm } from '../length/length';
import { guideAt, evenGuides, moduleRows, pageGrid, stretchBox, stretchOf } from '../page/grid';
import { gridProblem } from '../page/gridRules';
import { heightFor, PROPORTIONS, snappedBottom, USUAL_MARGINS } from '../page/practice';
import { formatOf } from '../page/pages';
import { applied, inverted, isEmpty, type Diff } from '../records/diff';
import { type Document, get } from '../records/document';
import { GridError, setBaseline, setFormat, setGrid } from './house';

const grid = (of: Document, side: 'left' | 'right' = 'right') => pageGrid(formatOf(of), get(of, 'master', 'master'), side);
const box = (of: Document, columns: [number, number], lines: [number, number]) => stretchBox(grid(of), { columns, lines });

function done(of: Document, diff: Diff): Document {
  const after = applied(of, diff);
  expect(new Map(applied(after, inverted(diff)).records)).toEqual(new Map(of.records));
  for (const record of [...diff.added, ...diff.updated.map((each) => each.after)]) expect(flawOf(record)).toBeUndefined();
  return after;
}

const plain = document(...baseRecords(3));
const doc = document(
  ...baseRecords(3),
  textRecord('text', proseBody(100)),
  textFrame('body', 'text', 'p1', box(plain, [1, 3], [4, 42]), { columns: 3 }),
  pictureFrame('photo', undefined, 'p1', box(plain, [2, 3], [1, 10])),
  pictureFrame('full', undefined, 'p1', { x: 0, y: -9, w: 409, h: 120 }),
  pictureFrame('left', undefined, 'p2', stretchBox(grid(plain, 'left'), { columns: [1, 1], lines: [1, 5] })),
  pictureFrame('rule', undefined, 'master', box(plain, [1, 3], [1, 1])),
);

describe('the grid of a page', () => {
  // Common practice, worked by hand: 170 of 210 mm between margins of 25 and 15; 6 columns with 5 gutters of 5 leave 24.1667 each.
  it('divides what the margins leave', () => {
    const records = baseRecords(1).map((record) =>
      record.kind === 'format'
        ? { ...record, width: mm(210), height: mm(297) }
        : record.kind === 'master'
          ? { ...record, columns: 6, gutter: mm(5), margins: { top: mm(20), bottom: mm(20), inner: mm(25), outer: mm(15) } }
          : record,
    );
    const { columns, area } = grid(document(...records));
    expect(area.w).toBeCloseTo(mm(170), 6);
    expect(columns[0]!.w).toBeCloseTo(mm(145 / 6), 6);
    expect(columns[5]!.x + columns[5]!.w).toBeCloseTo(mm(195), 6);
  });

  it('has columns of unequal widths, which left pages mirror, or repeat', () => {
    const wide = done(doc, setGrid(doc, 'master', { widths: [2, 1, 1] }));
    const widths = (of: Document, side: 'left' | 'right') => grid(of, side).columns.map(({ w }) => Math.round(w * 100) / 100);
    expect(widths(wide, 'right')).toEqual([135, 67.5, 67.5]);
    expect(widths(wide, 'left')).toEqual([67.5, 67.5, 135]);
    const repeated = done(wide, setFormat(wide, { pattern: 'repeated' }));
    expect(widths(repeated, 'left')).toEqual([135, 67.5, 67.5]);
    const narrow = done(doc, setGrid(doc, 'master', { margins: { top: 48, bottom: 48, inner: 20, outer: 80 } }));
    expect(grid(narrow, 'left').area.x).toBe(80);
    expect(grid(done(narrow, setFormat(narrow, { pattern: 'repeated' })), 'left').area.x).toBe(20);
  });

  it('makes modules of whole lines', () => {
    // 42 lines in 4 rows with 2 lines between: (42 − 6) / 4 = 9 lines each.
    expect(grid(doc).lines).toBe(42);
    expect(moduleRows(grid(doc), { count: 4, gutterLines: 2 })).toEqual([[1, 9], [12, 20], [23, 31], [34, 42]]); // prettier-ignore
    expect(moduleRows(grid(doc), { count: 30, gutterLines: 2 })).toEqual([]);
  });

  // Common practice: thirds of a page of 400 pt lie at 133⅓ and 266⅔; 25, 50 and 75 per cent of a type area of 300 pt at 75, 150, 225.
  it('has guides by length, by share and in even parts, mirrored with the page', () => {
    const format = formatOf(doc);
    const at = (guide: Parameters<typeof guideAt>[3], side: 'left' | 'right' = 'right') =>
      guideAt(format, grid(doc, side), side, guide);
    for (const [i, x] of [400 / 3, 800 / 3].entries()) expect(at(evenGuides('upright', 'page', 3)[i]!)).toBeCloseTo(x, 9);
    expect(evenGuides('upright', 'area', 4).map((guide) => at(guide))).toEqual([125, 200, 275]);
    expect(at({ direction: 'level', within: 'area', at: { share: 0.5 } })).toBe(48 + 252);
    expect(at({ direction: 'upright', within: 'page', at: { points: 30 } })).toBe(30);
    expect(at({ direction: 'upright', within: 'page', at: { points: 30 } }, 'left')).toBe(370);
  });
});

describe('practice', () => {
  it('offers margins of which the bottom is the largest', () => {
    const { top, bottom, inner, outer } = USUAL_MARGINS;
    expect([inner, top, outer, bottom].map((margin) => Math.round(margin / mm(1)))).toEqual([10, 15, 15, 20]);
  });

  it('makes pages by proportion', () => {
    const height = (name: string) => heightFor(200, PROPORTIONS.find((each) => each.name === name)!.ratio);
    expect(height('2:3')).toBeCloseTo(300, 9);
    expect(height('3:4')).toBeCloseTo(200 * (4 / 3), 9);
    expect(height('1:√2')).toBeCloseTo(282.8427, 4);
    // The golden section divides so that the whole is to the larger part as that is to the smaller.
    expect(height('Golden section') / 200).toBeCloseTo(200 / (height('Golden section') - 200), 9);
  });

  // Common practice: body 10 on 13, so 13 pt lines: (842 − 42 − 56) / 13 = 57.2, so 57 lines and a bottom of 842 − 42 − 741 = 59.
  it('makes the type area a whole number of lines', () => {
    const format = { ...formatOf(doc), height: 842, baseline: { step: 13, offset: 0 } };
    expect(snappedBottom(format, { top: 42, bottom: 56, inner: 0, outer: 0 })).toEqual({ lines: 57, bottom: 59 });
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 300, noNaN: true }),
        fc.double({ min: 0, max: 300, noNaN: true }),
        fc.double({ min: 6, max: 40, noNaN: true }),
        (top, bottom, step) => {
          const own = { ...format, baseline: { step, offset: 0 } };
          const snapped = snappedBottom(own, { top, bottom, inner: 0, outer: 0 });
          expect(Math.abs(snapped.bottom - bottom)).toBeLessThanOrEqual(step + 1e-6);
          expect(snapped.bottom).toBeGreaterThanOrEqual(-1e-6);
          expect((842 - top - snapped.bottom) / step).toBeCloseTo(snapped.lines, 6);
        },
      ),
    );
  });
});

describe('another format or grid', () => {
  const at = (of: Document, id: string, side: 'left' | 'right' = 'right') => stretchOf(grid(of, side), get(of, 'frame', id).box);

  it('keeps what lies on columns and lines on them', () => {
    const after = done(doc, setFormat(doc, { width: 500, height: 700, baseline: { step: 14, offset: 0 } }));
    for (const id of ['body', 'photo'])
      expect(at(after, id)).toMatchObject({ columns: at(doc, id).columns, onColumns: true, onLines: true });
    // What reached down to the last line does so again.
    expect(at(after, 'body').lines).toEqual([4, grid(after).lines]);
    expect(at(after, 'photo').lines).toEqual([1, 10]);
    expect(at(after, 'left', 'left')).toMatchObject({ columns: [1, 1], onColumns: true });
    expect(stretchOf(grid(after), get(after, 'frame', 'rule').box)).toMatchObject({ columns: [1, 3], onColumns: true });
    // What bled off the trim still does.
    expect(get(after, 'frame', 'full').box).toMatchObject({ x: 0, y: -9, w: 509 });
  });

  it('takes as large a share of other columns, and divides text as the house does', () => {
    const six = done(doc, setGrid(doc, 'master', { columns: 6, gutter: 10 }));
    expect(at(six, 'photo').columns).toEqual([3, 6]);
    expect(at(six, 'body').columns).toEqual([1, 6]);
    expect(get(six, 'frame', 'body').content).toMatchObject({ columns: 6, gutter: 10 });
    const two = done(six, setGrid(six, 'master', { columns: 2 }));
    expect(at(two, 'photo')).toMatchObject({ columns: [2, 2], onColumns: true });
    expect(get(done(doc, setGrid(doc, 'master', { textSpan: 3 })), 'frame', 'body').content).toMatchObject({ columns: 1 });
  });

  it('comes back to what it was when it is changed back', () => {
    const there = done(doc, setGrid(doc, 'master', { margins: { top: 60, bottom: 36, inner: 30, outer: 70 }, gutter: 20 }));
    const back = done(there, setGrid(there, 'master', { margins: { top: 48, bottom: 48, inner: 50, outer: 50 }, gutter: 15 }));
    for (const id of ['body', 'photo', 'full', 'left', 'rule']) {
      const [now, before] = [get(back, 'frame', id).box, get(doc, 'frame', id).box];
      for (const key of ['x', 'y', 'w', 'h'] as const) expect(now[key]).toBeCloseTo(before[key], 6);
    }
  });

  it('is no change when it says the same', () => {
    expect(isEmpty(setFormat(doc, { bleed: 9 }))).toBe(true);
    expect(isEmpty(setGrid(doc, 'master', { columns: 3 }))).toBe(true);
  });

  it('takes the baseline grid from a leading, with whole lines on every master', () => {
    const after = done(doc, setBaseline(doc, 13));
    expect(formatOf(after).baseline.step).toBe(13);
    const { area, lines } = grid(after);
    expect(area.h / 13).toBeCloseTo(lines, 6);
    expect(at(after, 'body').lines).toEqual([4, lines]);
  });

  it('is refused with a sentence where it would not do, and changes nothing', () => {
    const format = (change: object) => () => setFormat(doc, change);
    const master = (change: object) => () => setGrid(doc, 'master', change);
    for (const [attempt, field, message] of [
      [format({ width: mm(1) }), 'width', /from 12\.7 to/],
      [format({ height: mm(5000) }), 'height', /Page (width|height): from/],
      [format({ width: NaN }), 'width', /Page (width|height): from/],
      [format({ bleed: -3 }), 'bleed', /Bleed: from 0 to/],
      [format({ baseline: { step: 0, offset: 0 } }), 'baseline', /from 2 to 400 pt/],
      [format({ height: 100 }), 'margins', /no type area/],
      [master({ margins: { top: 300, bottom: 300, inner: 50, outer: 50 } }), 'margins', /no type area/],
      [master({ margins: { top: -1, bottom: 30, inner: 50, outer: 50 } }), 'margins', /Top margin: from 0/],
      [master({ columns: 0 }), 'columns', /Columns: a whole number from 1 to 40/],
      [master({ columns: 400 }), 'columns', /Columns: a whole number from 1 to 40/],
      [master({ columns: 2.5 }), 'columns', /Columns: a whole number from 1 to 40/],
      [master({ gutter: 120 }), 'gutter', /wider than a column/],
      [master({ gutter: -2 }), 'gutter', /Gutter: from 0/],
      [master({ widths: [1, 2] }), 'widths', /Every column/],
      [master({ rows: { count: 60, gutterLines: 1 } }), 'rows', /no line each/],
    ] as const) {
      let thrown: unknown;
      try {
        attempt();
      } catch (error) {
        thrown = error;
      }
      expect(thrown).toBeInstanceOf(GridError);
      expect((thrown as GridError).field).toBe(field);
      expect((thrown as GridError).message).toMatch(message);
    }
  });

  it('never leaves a grid that would not do, and always puts frames somewhere', () => {
    const length = fc.double({ min: 0, max: 400, noNaN: true });
    fc.assert(
      fc.property(
        length,
        length,
        length,
        length,
        fc.integer({ min: 1, max: 12 }),
        length,
        (top, bottom, inner, outer, columns, gutter) => {
          let after: Document;
          try {
            after = applied(doc, setGrid(doc, 'master', { margins: { top, bottom, inner, outer }, columns, gutter }));
          } catch (error) {
            expect(error).toBeInstanceOf(GridError);
            return;
          }
          expect(gridProblem(formatOf(after), get(after, 'master', 'master'))).toBeUndefined();
          for (const id of ['body', 'photo', 'full', 'left', 'rule']) {
            const { x, y, w, h } = get(after, 'frame', id).box;
            expect([x, y, w, h].every(Number.isFinite)).toBe(true);
            expect(Math.min(w, h)).toBeGreaterThan(0);
          }
          expect(at(after, 'body')).toMatchObject({ columns: [1, columns], onColumns: true, onLines: true });
        },
      ),
      { numRuns: 200, seed: 4 },
    );
  });
});
