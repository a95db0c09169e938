import { describe, expect, it } from 'vitest';
import { baseRecords, document, textFrame } from '../../../tests/support/documents';
import type { FieldName } from '../records/text';
import { mm } from '../length/length';
import { namedSize, SIZE_NAMES } from './formats';
import { columnAt, freeStretch, lineAt, pageGrid, stretchBetween, stretchBox, stretchOf, stretchWords } from './grid';
import { placedPages, spreads } from './pages';
import { fieldValue } from './fields';

describe('sizes', () => {
  // Source: ISO 216:2007. A4 is 210 × 297 mm; each size is half the one before it, rounded down to whole millimetres.
  it('of the A series halve one another', () => {
    const inMm = (name: string) => {
      const { width, height } = namedSize(name)!;
      return [Math.round(width / mm(1)), Math.round(height / mm(1))];
    };
    expect(inMm('A4')).toEqual([210, 297]);
    for (const [larger, smaller] of [
      ['A3', 'A4'],
      ['A4', 'A5'],
      ['A5', 'A6'],
      ['B4', 'B5'],
    ]) {
      const [w, h] = inMm(larger!);
      expect(inMm(smaller!)).toEqual([Math.floor(h! / 2), w]);
    }
    for (const name of ['A3', 'A4', 'A5', 'B5']) expect(inMm(name)[1]! / inMm(name)[0]!).toBeCloseTo(Math.SQRT2, 1);
  });

  // Source: ANSI/ASME Y14.1: letter is 8½ × 11 in, tabloid (B) 11 × 17 in.
  it('of the US are whole or half inches', () => {
    expect(namedSize('letter')!.width).toBeCloseTo(8.5 * 72, 6);
    expect(namedSize('LETTER')!.height).toBeCloseTo(11 * 72, 6);
    expect(namedSize('tabloid')!.height).toBeCloseTo(17 * 72, 6);
    expect(namedSize('half-letter')!.width).toBeCloseTo(5.5 * 72, 6);
    expect(namedSize('A44')).toBeUndefined();
    expect(SIZE_NAMES).toContain('A4');
  });
});

describe('pages', () => {
  it('lie on the right first and then in spreads, left before right', () => {
    const doc = document(...baseRecords(5));
    expect(placedPages(doc).map(({ number, side, spread, dx }) => [number, side, spread, dx])).toEqual([
      [1, 'right', 0, 400],
      [2, 'left', 1, 0],
      [3, 'right', 1, 400],
      [4, 'left', 2, 0],
      [5, 'right', 2, 400],
    ]);
    expect(spreads(doc).map((spread) => spread.length)).toEqual([1, 2, 2]);
  });

  it('begin on the left where the format says so, and lie alone where pages do not face', () => {
    const with_ = (change: object) =>
      document(...baseRecords(3).map((record) => (record.kind === 'format' ? { ...record, ...change } : record)));
    expect(placedPages(with_({ firstSide: 'left' })).map(({ side, spread }) => [side, spread])).toEqual([
      ['left', 0],
      ['right', 0],
      ['left', 1],
    ]);
    expect(spreads(with_({ facing: false })).map((spread) => spread.length)).toEqual([1, 1, 1]);
  });

  it('know what their fields show', () => {
    const story = {
      id: 's',
      kind: 'story',
      name: 'The spar remembers',
      section: 'Feature',
      order: 'a0',
      tint: 0,
      parts: { headline: 'h', body: 'b' },
    } as const;
    const doc = document(...baseRecords(9), story, textFrame('f', 'b', 'p5', { x: 0, y: 0, w: 100, h: 100 }));
    const place = { number: 7, next: 9, story: 's' };
    const shown = (name: FieldName, of?: string) => fieldValue(doc, { name, ...(of ? { of } : {}) }, place);
    expect(shown('folio')).toBe('7');
    expect(shown('nextFolio')).toBe('9');
    expect(shown('previousFolio')).toBe('');
    expect(shown('publication')).toBe('Longspar');
    expect(shown('number')).toBe('14');
    expect(shown('season')).toBe('Winter');
    expect(shown('date')).toBe('2026-12-04');
    expect(shown('section')).toBe('Feature');
    expect(shown('story')).toBe('The spar remembers');
    expect(shown('folio', 's')).toBe('5');
    expect(shown('folio', 'nobody')).toBe('');
  });
});

describe('the grid of a page', () => {
  const doc = document(
    ...baseRecords(3).map((record) =>
      record.kind === 'master' ? { ...record, margins: { top: 48, bottom: 48, inner: 40, outer: 60 } } : record,
    ),
  );
  const [first, second] = placedPages(doc);
  const format = doc.records.get('format')!;
  if (format.kind !== 'format') throw new Error();
  const right = pageGrid(format, first!.master, first!.side);
  const left = pageGrid(format, second!.master, second!.side);

  it('mirrors its margins across the spine', () => {
    expect(right.area).toEqual({ x: 40, y: 48, w: 300, h: 504 });
    expect(left.area).toEqual({ x: 60, y: 48, w: 300, h: 504 });
  });

  it('divides the type area into columns with gutters between them', () => {
    expect(right.columns).toHaveLength(3);
    expect(right.columns.map(({ x }) => x)).toEqual([40, 145, 250]);
    expect(right.columns.every(({ w }) => w === 90)).toBe(true);
  });

  // Common practice: the type area is a whole number of lines, the last baseline at its foot.
  it('has whole lines', () => {
    expect(right.lines).toBe(42);
    expect(right.first + (right.lines - 1) * right.step).toBe(552);
  });

  it('finds columns and lines, and the boxes of stretches', () => {
    expect(columnAt(right, 40)).toBe(1);
    expect(columnAt(right, 200)).toBe(2);
    expect(columnAt(right, 999)).toBe(3);
    expect(lineAt(right, 0)).toBe(1);
    expect(lineAt(right, 60.5)).toBe(2);
    const stretch = stretchBetween(right, { x: 300, y: 100 }, { x: 160, y: 290 });
    expect(stretch).toEqual({ columns: [2, 3], lines: [5, 21] });
    expect(stretchBox(right, stretch)).toEqual({ x: 145, y: 96, w: 195, h: 204 });
    expect(stretchOf(right, stretchBox(right, stretch))).toEqual({ ...stretch, onColumns: true, onLines: true });
    expect(stretchOf(right, { x: 150, y: 97, w: 100, h: 20 })).toMatchObject({ onColumns: false, onLines: false });
    expect(stretchWords(stretch)).toBe('columns 2 to 3, lines 5 to 21');
    expect(stretchWords({ columns: [2, 2], lines: [4, 4] })).toBe('column 2, line 4');
  });

  it('finds the largest free stretch around a point', () => {
    expect(freeStretch(right, { x: 60, y: 100 }, [])).toEqual({ columns: [1, 3], lines: [1, 42] });
    const headline = { x: 40, y: 48, w: 300, h: 60 };
    expect(freeStretch(right, { x: 60, y: 300 }, [headline])).toEqual({ columns: [1, 3], lines: [6, 42] });
    const picture = { x: 145, y: 200, w: 195, h: 352 };
    expect(freeStretch(right, { x: 60, y: 300 }, [headline, picture])).toEqual({ columns: [1, 1], lines: [6, 42] });
    expect(freeStretch(right, { x: 200, y: 60 }, [headline])).toBeUndefined();
  });
});
