import LineBreaker from 'linebreak';

/** Where lines may end: Unicode's line breaking algorithm (UAX #14) by the package `linebreak`, and words of scripts without spaces. */

/** Scripts whose words nothing parts: they are found by a dictionary. */
const NEEDS_DICTIONARY = /[\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}\p{Script=Myanmar}]/u;

/** Scripts that are broken between any two letters. */
export const IDEOGRAPHIC =
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}\p{Script=Bopomofo}\p{Script=Yi}\u3000-\u303F\uFF00-\uFFEF]/u;

const WITHOUT_SPACES = new RegExp(`${NEEDS_DICTIONARY.source}|${IDEOGRAPHIC.source}`, 'u');

/** Whether a stretch holds letters of a script that writes without spaces. */
export const writesWithoutSpaces = (text: string): boolean => WITHOUT_SPACES.test(text);

const PLAIN_WORD = /^[\p{L}\p{M}'’‘“”"().,;:!?]*$/u;

/** Breaks that are allowed inside a stretch without spaces, in order; soft hyphens are left to hyphenation. */
export function breaksWithin(word: string): readonly number[] {
  const unspaced = writesWithoutSpaces(word);
  if (!unspaced && PLAIN_WORD.test(word)) return NONE;
  const found: number[] = [];
  const breaker = new LineBreaker(word);
  for (let next = breaker.nextBreak(); next; next = breaker.nextBreak())
    if (next.position < word.length && word[next.position - 1] !== '\u00AD') found.push(next.position);
  return unspaced && NEEDS_DICTIONARY.test(word) ? withDictionary(word, found) : found;
}

const NONE: readonly number[] = [];

/** UAX #14 leaves class SA to a dictionary: boundaries of words between two letters of such scripts. */
function withDictionary(word: string, found: readonly number[]): number[] {
  const all = new Set(found);
  for (const { index } of segmenter().segment(word))
    if (index > 0 && NEEDS_DICTIONARY.test(word[index - 1]!) && NEEDS_DICTIONARY.test(word[index]!)) all.add(index);
  return [...all].sort((a, b) => a - b);
}

let words: Intl.Segmenter | undefined;
const segmenter = (): Intl.Segmenter => (words ??= new Intl.Segmenter('th', { granularity: 'word' }));

/**
 * A space beside one of these may be no break: rules LB8 and LB13 to LB17 look past spaces. Elsewhere every space is one
 * (LB18), and the whole algorithm need not be asked.
 */
const SUSPICIOUS =
  /[ \n\r][\u0300-\u036F'"\p{Pe}\p{Pf}\p{Pi}\p{Ps}!?;:.,/…%\u2010-\u2015\u203C-\u203D\u2047-\u2049\u2024-\u2026\u3001-\u301E\u30FB-\u30FE\uFE10-\uFE19\uFF01\uFF0C\uFF0E\uFF1A\uFF1B\uFF1F\u00BF\u00A1]|['"\p{Ps}\p{Pi}\p{Pf}\u200B\u2014\u00BF\u00A1][ \n\r]/u;

/** Ends of spaces at which a line must not end, in a text; undefined where it may at all of them. */
export function bindingSpaces(text: string): ReadonlySet<number> | undefined {
  if (!SUSPICIOUS.test(text)) return undefined;
  const allowed = new Set<number>();
  const breaker = new LineBreaker(text);
  for (let next = breaker.nextBreak(); next; next = breaker.nextBreak()) allowed.add(next.position);
  const bound = new Set<number>();
  for (const { 0: spaces, index } of text.matchAll(/[ \n\r]+/g)) {
    const end = index + spaces.length;
    if (end < text.length && !allowed.has(end)) bound.add(end);
  }
  return bound.size > 0 ? bound : undefined;
}

/** What French typography asks of the space before or behind a mark: none is stretched, and before `; ! ?` it is thin. */
export type BoundSpace = 'thin' | 'word';

/**
 * The space that stands between two characters of French: before `; ! ?` thin, before `: »` and behind `«` a word's,
 * and no line ends at it. Common practice of the French composing room; undefined elsewhere.
 */
export function frenchSpace(before: string, after: string): BoundSpace | undefined {
  if (after === ';' || after === '!' || after === '?' || after === '‽') return 'thin';
  return after === ':' || after === '»' || before === '«' ? 'word' : undefined;
}
