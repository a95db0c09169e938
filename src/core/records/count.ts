/** A thing with its article: “an advertisement”. */
export const withArticle = (thing: string): string => `${/^[aeiou]/.test(thing) ? 'an' : 'a'} ${thing}`;

const LISTS = new Intl.ListFormat('en-GB');

/** Several things in a row: “a, b and c”. */
export const listed = (things: readonly string[]): string => LISTS.format(things);

const RULES = new Intl.PluralRules('en-GB');

/** So many of a thing: “1 day”, “1,200 words”. */
export const counted = (n: number, one: string, more = `${one}s`): string =>
  `${n.toLocaleString('en-GB')} ${RULES.select(n) === 'one' ? one : more}`;
