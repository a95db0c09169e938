import { addDays, addMonths, addWeeks, endOfMonth, format, isValid, parseISO, setDate } from 'date-fns';

/** How often a publication comes out; `n a year` with n from 2 to 50. */
export type Frequency = 'weekly' | 'fortnightly' | 'monthly' | 'quarterly' | 'irregular' | `${number} a year`;

export const FREQUENCIES: readonly Frequency[] = [
  'weekly',
  'fortnightly',
  'monthly',
  '6 a year',
  'quarterly',
  '2 a year',
  'irregular',
];

export const isFrequency = (text: string): text is Frequency =>
  (FREQUENCIES as readonly string[]).includes(text) || isCount(Number(/^(\d{1,2}) a year$/.exec(text)?.[1] ?? NaN));

const isCount = (n: number): boolean => n >= 2 && n <= 50;

/** Which issue: its number and cover date, and what it is called on the cover. */
export interface IssueName {
  readonly number: string;
  /** ISO 8601, `YYYY-MM-DD`. */
  readonly date: string;
}

const DAYS_A_YEAR = 365.2425;

/**
 * The cover date a number of issues after the last one. Months keep their day, as far as they have it: a monthly of
 * the 31st comes out on 28 February and on 31 March again, which the earlier dates tell.
 *
 * @param dates of the issues there are, the latest first
 * @param step 1 for the next, 2 to leave one out or after a double issue
 * @returns undefined for an irregular publication, and where there is none yet
 */
export function nextDate(dates: readonly string[], frequency: Frequency, step = 1): string | undefined {
  const latest = dates[0] === undefined ? undefined : parseISO(dates[0]);
  if (!latest || !isValid(latest) || frequency === 'irregular') return undefined;
  const iso = (date: Date) => format(date, 'yyyy-MM-dd');
  if (frequency === 'weekly') return iso(addWeeks(latest, step));
  if (frequency === 'fortnightly') return iso(addWeeks(latest, 2 * step));
  const perYear = frequency === 'monthly' ? 12 : frequency === 'quarterly' ? 4 : Number(frequency.split(' ')[0]);
  if (12 % perYear !== 0) return iso(addDays(latest, Math.round((step * DAYS_A_YEAR) / perYear)));
  const day = Math.max(...dates.slice(0, perYear + 1).map((date) => parseISO(date).getDate()));
  const month = addMonths(setDate(latest, 1), (step * 12) / perYear);
  return iso(setDate(month, Math.min(day, endOfMonth(month).getDate())));
}

/** How many numbers an issue has: one, or two and more for a double issue, "14/15". */
export function numbersIn(number: string): number {
  const [first, last] = [...number.matchAll(/\d+/g)].map(([digits]) => Number(digits));
  return first !== undefined && last !== undefined && last > first ? last - first + 1 : 1;
}

/** The number after another, or a double issue's two; `''` where the last has no number to count on from. */
export function nextNumber(last: string, count = 1, step = 1): string {
  const digits = [...last.matchAll(/\d+/g)].at(-1)?.[0];
  if (digits === undefined) return '';
  const first = Number(digits) + step;
  const shown = (n: number) => String(n).padStart(digits.startsWith('0') ? digits.length : 0, '0');
  return count > 1 ? `${shown(first)}/${shown(first + count - 1)}` : shown(first);
}

const SEASONS = ['Winter', 'Spring', 'Summer', 'Autumn'] as const;

/** What an issue of a date is called: a season (of the northern half of the world), a month, or a day. */
export function seasonOf(date: string, frequency: Frequency): string {
  const on = parseISO(date);
  if (!isValid(on)) return '';
  if (frequency === 'quarterly') return SEASONS[Math.floor(((on.getMonth() + 1) % 12) / 3)]!;
  if (frequency === 'weekly' || frequency === 'fortnightly') return format(on, 'd MMMM');
  return format(on, 'MMMM yyyy');
}

/** The issue after the last, as it is proposed: the numbers of double issues and the issues left out counted. */
export function nextIssue(
  issues: readonly IssueName[],
  frequency: Frequency,
  { double = false, skip = 0 }: { readonly double?: boolean; readonly skip?: number } = {},
): IssueName & { readonly season: string } {
  const [last] = issues;
  if (!last) return { number: '1', date: '', season: '' };
  const step = numbersIn(last.number) + skip;
  const date = nextDate(
    issues.map((issue) => issue.date),
    frequency,
    step,
  );
  return {
    number: nextNumber(last.number, double ? 2 : 1, 1 + skip),
    date: date ?? '',
    season: date ? seasonOf(date, frequency) : '',
  };
}
