import { describe, expect, it } from 'vitest';
import { dayTyped, dayWords } from './dayWords';
import { cutTo, mended, wellFormed } from './plain';
import { circleAmong, together } from './together';

describe('words from outside', () => {
  it('are cut between letters, never within one', () => {
    expect(cutTo('kite', 10)).toBe('kite');
    expect(cutTo('ab🪁', 3)).toBe('ab');
    expect(cutTo('a👨‍👩‍👧b', 4)).toBe('a');
    expect(cutTo('e\u0301e\u0301', 3)).toBe('e\u0301');
  });

  it('are mended where they are no text', () => {
    expect(wellFormed('a\u0000b')).toBe('ab');
    expect(wellFormed('a\ud83eb')).toBe('a\ufffdb');
    expect(wellFormed('🪁')).toBe('🪁');
    const whole = { a: ['b', { c: 'd' }] };
    expect(mended(whole)).toBe(whole);
    expect(mended({ a: ['b\u0000', { c: '\udc00' }] })).toEqual({ a: ['b', { c: '\ufffd' }] });
  });
});

describe('days', () => {
  it('are written and read in the language of the publication', () => {
    expect(dayWords('2026-12-03', 'en-GB')).toBe('3 December 2026');
    expect(dayWords('2026-12-03', 'de')).toBe('3. Dezember 2026');
    expect(dayWords('', 'en-GB')).toBe('');
    for (const typed of ['3 December 2026', '3 dec 26', '3/12/2026', '03.12.26', '2026-12-03', '3rd December 2026'])
      expect(dayTyped(typed, 'en-GB'), typed).toBe('2026-12-03');
    expect(dayTyped('12/3/2026', 'en-US')).toBe('2026-12-03');
    expect(dayTyped('3. Dezember 2026', 'de')).toBe('2026-12-03');
    expect(dayTyped('3 décembre 2026', 'fr')).toBe('2026-12-03');
    for (const typed of ['', 'soon', '31/2/2026', '40 December 2026', '2026-13-01'])
      expect(dayTyped(typed, 'en-GB')).toBeUndefined();
  });
});

describe('records that must hold together', () => {
  const style = (id: string, basedOn?: string) => ({ id, name: id, ...(basedOn ? { basedOn } : {}) });

  it('are not based on one another in a circle', () => {
    expect(circleAmong([style('a'), style('b', 'a'), style('c', 'b')])).toBeUndefined();
    expect(circleAmong([style('a', 'gone')])).toBeUndefined();
    expect(circleAmong([style('a', 'a')])!.map(({ id }) => id)).toEqual(['a']);
    expect(circleAmong([style('x', 'a'), style('a', 'b'), style('b', 'a')])!.map(({ id }) => id)).toEqual(['a', 'b']);
    expect(together([])).toBeUndefined();
  });
});
