import { addMonths, addWeeks, formatISO, getISOWeek, getISOWeekYear, lastDayOfMonth, parseISO } from 'date-fns';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isDay } from '../records/day';
import { isFrequency, nextDate, nextIssue, nextNumber, numbersIn, seasonOf } from './recurrence';

const day = fc
  .date({ min: new Date('1990-01-01'), max: new Date('2090-12-31'), noInvalidDate: true })
  .map((date) => formatISO(date, { representation: 'date' }));

describe('the next cover date', () => {
  // Reference: date-fns; ISO 8601 weeks run from Monday to Sunday and are numbered on through the years.
  it('of a weekly is a week on, over the ends of months and years', () => {
    expect(nextDate(['2026-12-29'], 'weekly')).toBe('2027-01-05');
    expect(nextDate(['2024-02-26'], 'weekly')).toBe('2024-03-04');
    fc.assert(
      fc.property(day, fc.integer({ min: 1, max: 60 }), (date, step) => {
        const next = parseISO(nextDate([date], 'weekly', step)!);
        expect(next).toEqual(addWeeks(parseISO(date), step));
        expect(next.getDay()).toBe(parseISO(date).getDay());
        const weeks = (of: Date) => Math.round(getISOWeekYear(of) * 52.1775) + getISOWeek(of);
        expect(Math.abs(weeks(next) - weeks(parseISO(date)) - step)).toBeLessThanOrEqual(1);
      }),
    );
    expect(nextDate(['2026-12-29'], 'fortnightly')).toBe('2027-01-12');
  });

  it('of a monthly keeps its day as far as the month has it, and comes back to it', () => {
    expect(nextDate(['2026-01-31'], 'monthly')).toBe('2026-02-28');
    expect(nextDate(['2028-01-31'], 'monthly')).toBe('2028-02-29');
    expect(nextDate(['2026-02-28', '2026-01-31'], 'monthly')).toBe('2026-03-31');
    expect(nextDate(['2026-02-28', '2026-01-28'], 'monthly')).toBe('2026-03-28');
    expect(nextDate(['2026-12-15'], 'monthly')).toBe('2027-01-15');
    fc.assert(
      fc.property(day, fc.integer({ min: 1, max: 30 }), (date, step) => {
        const next = nextDate([date], 'monthly', step)!;
        expect(parseISO(next)).toEqual(addMonths(parseISO(date), step));
      }),
    );
  });

  it('over a hundred years of months never leaves one out', () => {
    let dates = ['1999-12-31'];
    for (let i = 0; i < 1200; i++) {
      dates = [nextDate(dates, 'monthly')!, ...dates.slice(0, 24)];
      const date = parseISO(dates[0]!);
      expect(date).toEqual(lastDayOfMonth(date));
      expect((date.getFullYear() - 2000) * 12 + date.getMonth()).toBe(i);
    }
  });

  it('of other frequencies divides the year', () => {
    expect(nextDate(['2026-12-04'], 'quarterly')).toBe('2027-03-04');
    expect(nextDate(['2026-11-30'], 'quarterly')).toBe('2027-02-28');
    expect(nextDate(['2026-11-01'], '6 a year')).toBe('2027-01-01');
    expect(nextDate(['2026-11-01'], '2 a year')).toBe('2027-05-01');
    // Ten a year: 365.2425 / 10 days, rounded.
    expect(nextDate(['2026-01-01'], '10 a year')).toBe('2026-02-07');
    let date = '2026-01-01';
    for (let i = 0; i < 10; i++) date = nextDate([date], '10 a year')!;
    expect(Math.abs(+parseISO(date) - +parseISO('2027-01-01')) / 86_400_000).toBeLessThanOrEqual(5);
    expect(nextDate(['2026-01-01'], 'irregular')).toBeUndefined();
    expect(nextDate([], 'weekly')).toBeUndefined();
    expect(nextDate(['2026-02-30'], 'weekly')).toBeUndefined();
  });
});

describe('the next number', () => {
  it('counts on, also from double issues', () => {
    expect(nextNumber('14')).toBe('15');
    expect(nextNumber('14/15')).toBe('16');
    expect(nextNumber('099')).toBe('100');
    expect(nextNumber('007')).toBe('008');
    expect(nextNumber('14', 2)).toBe('15/16');
    expect(nextNumber('14', 1, 3)).toBe('17');
    expect(nextNumber('Special')).toBe('');
    expect([numbersIn('14'), numbersIn('14/15'), numbersIn('14–16'), numbersIn('3/2'), numbersIn('')]).toEqual([1, 2, 3, 1, 1]);
  });

  it('goes with the date: after a double issue two steps on, and one more for each left out', () => {
    const issues = [{ number: '14/15', date: '2026-12-04' }, { number: '13', date: '2026-09-04' }]; // prettier-ignore
    expect(nextIssue(issues, 'quarterly')).toEqual({ number: '16', date: '2027-06-04', season: 'Summer' });
    expect(nextIssue(issues, 'quarterly', { skip: 1 })).toEqual({ number: '17', date: '2027-09-04', season: 'Autumn' });
    expect(nextIssue(issues.slice(1), 'quarterly', { double: true })).toEqual({
      number: '14/15',
      date: '2026-12-04',
      season: 'Winter',
    });
    expect(nextIssue([], 'weekly')).toEqual({ number: '1', date: '', season: '' });
    expect(nextIssue(issues, 'irregular')).toEqual({ number: '16', date: '', season: '' });
  });
});

it('names an issue by its time', () => {
  // Seasons by whole months (meteorological, common practice): March to May is spring.
  expect(
    ['2026-12-04', '2027-02-28', '2027-03-01', '2027-06-30', '2027-11-30'].map((date) => seasonOf(date, 'quarterly')),
  ).toEqual(['Winter', 'Winter', 'Spring', 'Summer', 'Autumn']);
  expect(seasonOf('2027-03-06', 'weekly')).toBe('6 March');
  expect(seasonOf('2027-03-06', 'monthly')).toBe('March 2027');
  expect(seasonOf('2027-02-30', 'monthly')).toBe('');
});

it('knows days that there are, and frequencies', () => {
  expect(['2028-02-29', '2027-02-29', '2027-13-01', '27-01-01', ''].map(isDay)).toEqual([true, false, false, false, false]);
  expect(['weekly', '6 a year', '52 a year', '1 a year', '7 a year', 'daily'].map(isFrequency)).toEqual([
    true,
    true,
    false,
    false,
    true,
    false,
  ]);
});
