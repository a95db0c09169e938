import { spoken } from './language';
import { isDay } from './day';

/** Days as people write and type them, in the language of their publication. */

const LONG = { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' } as const;

/** "3 December 2026" in English, "3. Dezember 2026" in German; `''` for no day. */
export const dayWords = (day: string, language: string): string =>
  isDay(day) ? new Intl.DateTimeFormat(spoken(language), LONG).format(new Date(`${day}T00:00:00Z`)) : '';

const iso = (year: number, month: number, day: number): string | undefined => {
  const full = year < 100 ? 2000 + year : year;
  const text = `${String(full).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`;
  return isDay(text) ? text : undefined;
};

/**
 * The day that was typed: as it is shown, in figures in the order of the language (3/12/2026, 3.12.26), or as ISO 8601
 * writes it. Undefined where there is none.
 */
export function dayTyped(typed: string, language: string): string | undefined {
  const text = typed.trim();
  if (isDay(text)) return text;
  const tag = spoken(language);
  const figures = /^(\d{1,4})\s*[./\-\s]\s*(\d{1,2})\s*[./\-\s]\s*(\d{2,4})$/.exec(text);
  if (figures) {
    const [a, b, c] = figures.slice(1).map(Number) as [number, number, number];
    if (figures[1]!.length === 4) return iso(a, b, c);
    const order = new Intl.DateTimeFormat(tag, { ...LONG, month: 'numeric' }).formatToParts(0).map(({ type }) => type);
    return order.indexOf('month') < order.indexOf('day') ? iso(c, a, b) : iso(c, b, a);
  }
  const numbers = text.match(/\d+/g)?.map(Number) ?? [];
  const word = /\p{L}{3,}/u.exec(text)?.[0]?.toLocaleLowerCase(tag);
  if (!word || numbers.length !== 2) return undefined;
  for (let month = 1; month <= 12; month++) {
    const at = new Date(Date.UTC(2000, month - 1, 15));
    const names = [tag, 'en-GB'].map((each) =>
      new Intl.DateTimeFormat(each, { month: 'long', timeZone: 'UTC' }).format(at).toLocaleLowerCase(tag),
    );
    if (names.some((name) => name.startsWith(word))) return iso(numbers[1]!, month, numbers[0]!);
  }
  return undefined;
}
