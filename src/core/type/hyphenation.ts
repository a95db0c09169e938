import createHyphenator from 'hyphen';

/**
 * Hyphenation by the published TeX patterns (the hyph-utf8 collection, as the package `hyphen` carries it), after
 * F. M. Liang, "Word Hy-phen-a-tion by Com-put-er", Stanford 1983.
 */
export interface Limits {
  /** Shortest word that is hyphenated, in letters. CSS Text 4 calls the three `hyphenate-limit-chars`. */
  readonly word: number;
  readonly before: number;
  readonly after: number;
  /** Words that begin with a capital too; words with one further in never are. */
  readonly capitals: boolean;
}

/** Two letters before and three after: what TeX sets for English (\lefthyphenmin, \righthyphenmin of hyph-en-gb). */
export const USUAL_LIMITS: Limits = { word: 5, before: 2, after: 3, capitals: true };

/** Longer words are no words: nothing is looked up in them. */
const LONGEST = 80;

const SOFT_HYPHEN = '\u00AD';

/** Each language's patterns by themselves: to read all of them takes a browser longer than the rest of the typesetter. */
const PATTERNS = {
  'en-gb': () => import('hyphen/patterns/en-gb.js'),
  'en-us': () => import('hyphen/patterns/en-us.js'),
  de: () => import('hyphen/patterns/de-1996.js'),
  fr: () => import('hyphen/patterns/fr.js'),
} as const;

export type HyphenationLanguage = keyof typeof PATTERNS;
export const HYPHENATION_LANGUAGES = Object.keys(PATTERNS) as HyphenationLanguage[];

const loaded = new Map<HyphenationLanguage, (word: string) => string>();

/** Loads the patterns that serve some BCP 47 tags, before words in them are asked for. */
export async function loadHyphenation(tags: Iterable<string>): Promise<void> {
  const missing = new Set([...tags].map(matchLanguage).filter((name) => name !== undefined && !loaded.has(name)));
  await Promise.all(
    [...missing].map(async (name) => {
      const { default: patterns } = await PATTERNS[name!]();
      const options = { hyphenChar: SOFT_HYPHEN, minWordLength: 2, async: false };
      loaded.set(name!, createHyphenator(patterns, options) as (word: string) => string);
    }),
  );
}

/**
 * Where a word may be broken: offsets of the characters that would begin the next line. Soft hyphens in the word win:
 * with any of them there, they alone count. Words with a figure or a capital after the first letter (abbreviations,
 * names of things) are left whole. Whoever asks remembers the answer.
 *
 * @throws Error when the language's patterns have not been loaded
 */
export function hyphenPoints(word: string, language: string, limits: Limits = USUAL_LIMITS): readonly number[] {
  if (word.includes(SOFT_HYPHEN)) {
    const out: number[] = [];
    for (let i = 0; i < word.length - 1; i++) if (word[i] === SOFT_HYPHEN) out.push(i + 1);
    return out;
  }
  const name = matchLanguage(language);
  if (!name || word.length < limits.word || word.length > LONGEST) return NONE;
  // Not split: what holds a figure, or a capital after its first letter.
  if (/\p{N}|\p{L}\p{Lu}/u.test(word) || (!limits.capitals && /\p{Lu}/u.test(word))) return NONE;
  // An apostrophe parts a word: in “mother’s” and “l’observatoire” only the longer part is split.
  let stem = '';
  let start = 0;
  for (const { 0: part, index } of word.matchAll(/\p{L}[\p{L}\p{M}]*/gu))
    if (part.length > stem.length) [stem, start] = [part, index];
  if (stem.length < limits.word) return NONE;
  const split = loaded.get(name);
  if (!split) throw new Error(`The hyphenation of “${name}” has not been loaded.`);
  const out: number[] = [];
  let at = 0;
  for (const piece of split(stem).split(SOFT_HYPHEN).slice(0, -1)) {
    at += piece.length;
    if (at >= limits.before && stem.length - at >= limits.after) out.push(start + at);
  }
  return out.length > 0 ? out : NONE;
}

const NONE: readonly number[] = [];

/** The language whose patterns serve a BCP 47 tag: `en-GB` and `en` give `en-gb`; undefined where there are none. */
export function matchLanguage(tag: string): HyphenationLanguage | undefined {
  const lower = tag.toLowerCase();
  return (
    HYPHENATION_LANGUAGES.find((name) => name === lower) ??
    HYPHENATION_LANGUAGES.find((name) => name.split('-')[0] === lower.split('-')[0])
  );
}
