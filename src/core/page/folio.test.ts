import { describe, expect, it } from 'vitest';
import { baseRecords, document } from '../../../tests/support/documents';
import { counted } from './folio';
import { placedPages } from './pages';

describe('folios', () => {
  it('are written in figures, Roman numerals and letters', () => {
    // The values of the Roman numerals are common knowledge: 4, 9, 40, 90, 400, 900 by subtraction.
    expect([1, 4, 9, 14, 40, 49, 90, 400, 944, 1999, 2026].map((n) => counted(n, 'i'))).toEqual([
      'i',
      'iv',
      'ix',
      'xiv',
      'xl',
      'xlix',
      'xc',
      'cd',
      'cmxliv',
      'mcmxcix',
      'mmxxvi',
    ]);
    expect(counted(8, 'I')).toBe('VIII');
    expect([1, 26, 27, 52, 53].map((n) => counted(n, 'a'))).toEqual(['a', 'z', 'aa', 'az', 'ba']);
    expect(counted(3, 'A')).toBe('C');
  });

  it('begin anew with a section, and go on through a department', () => {
    const doc = document(
      ...baseRecords(7),
      { id: 'front', kind: 'section', name: 'Preliminaries', from: 'p1', folios: { style: 'i', prefix: '', start: 1 } },
      { id: 'main', kind: 'section', name: 'Main', from: 'p3', folios: { style: '1', prefix: '', start: 1 } },
      { id: 'letters', kind: 'section', name: 'Letters', from: 'p5' },
      { id: 'sport', kind: 'section', name: 'Sport', from: 'p6', folios: { style: '1', prefix: 'A', start: 1 } },
    );
    expect(placedPages(doc).map(({ folio }) => folio)).toEqual(['i', 'ii', '1', '2', '3', 'A1', 'A2']);
    expect(placedPages(doc).map(({ section }) => section?.name)).toEqual([
      'Preliminaries',
      'Preliminaries',
      'Main',
      'Main',
      'Letters',
      'Sport',
      'Sport',
    ]);
    expect(placedPages(doc).map(({ number }) => number)).toEqual([1, 2, 3, 4, 5, 6, 7]);
  });
});
