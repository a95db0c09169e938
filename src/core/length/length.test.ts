import { describe, expect, it } from 'vitest';
import { formatLength, LengthError, mm, parseLength, POINTS } from './length';

describe('units', () => {
  // Source: the international inch of 1959 (25.4 mm exactly); CSS Values and Units 3, §6.2.
  it('stand to one another as defined', () => {
    expect(POINTS.in).toBe(72);
    expect(POINTS.pica).toBe(12);
    expect(POINTS.in / POINTS.pica).toBe(6);
    expect(POINTS.mm * 25.4).toBeCloseTo(72, 12);
    expect(POINTS.cm).toBeCloseTo(10 * POINTS.mm, 12);
    expect(mm(210)).toBeCloseTo(595.2756, 4);
  });
});

describe('a length field', () => {
  const pairs: [string, number][] = [
    ['12', mm(12)],
    ['12 mm', mm(12)],
    ['1cm', mm(10)],
    ['0.1875in', 13.5],
    ['0.1875"', 13.5],
    ['13pt', 13],
    ['2 pica', 24],
    ['2pc', 24],
    ['6p6', 78],
    ['0p9', 9],
    ['6p6.5', 78.5],
    ['210/2', mm(105)],
    ['210mm / 2', mm(105)],
    ['5mm + 1pica', mm(5) + 12],
    ['5 + 1pt', mm(5) + 1],
    ['(10 + 2) * 3', mm(36)],
    ['2 * 6p6', 156],
    ['-3mm', mm(-3)],
    ['10 - -2', mm(12)],
    ['10 − 4', mm(6)],
    ['1,5', mm(1.5)],
    ['.5', mm(0.5)],
    ['3 × 4mm', mm(12)],
  ];
  it.each(pairs)('reads %s', (typed, points) => {
    expect(parseLength(typed, 'mm')).toBeCloseTo(points, 9);
  });

  it('takes a bare number in the unit it is told', () => {
    expect(parseLength('10', 'pt')).toBe(10);
    expect(parseLength('1', 'in')).toBe(72);
  });

  it.each([
    '',
    '  ',
    'wide',
    '12 furlongs',
    '3 mm mm',
    '4mm * 2mm',
    '2 / 3mm',
    '1 +',
    '(1',
    '1)',
    '5 / 0',
    '1e5',
    '9'.repeat(101),
  ])('says what is wrong with “%s”', (typed) => {
    expect(() => parseLength(typed, 'mm')).toThrow(LengthError);
    try {
      parseLength(typed, 'mm');
    } catch (error) {
      expect((error as Error).message).toMatch(/^[A-Z“].*\.$/s);
    }
  });

  it('shows a length without noughts that say nothing', () => {
    expect(formatLength(36, 'mm')).toBe('12.7 mm');
    expect(formatLength(mm(210), 'mm')).toBe('210 mm');
    expect(formatLength(13.5, 'in')).toBe('0.1875 in');
    expect(formatLength(-0.001, 'mm')).toBe('0 mm');
  });
});
