import type { Hunspell } from 'hunspell-wasm';

/** A word of our own, and one of the dictionary that it is inflected like. */
export interface OwnForm {
  readonly word: string;
  readonly like?: string | undefined;
}

/** Endings that a name or new word takes in English without being asked. */
const POSSESSIVE = /['’]s?$/;

/** The verdicts of one dictionary (Hunspell's), with words of our own beside it; each word is asked for once. */
export class Speller {
  readonly #hunspell: Hunspell;
  readonly #known = new Map<string, boolean>();
  #own: ReadonlySet<string> = new Set();

  constructor(hunspell: Hunspell) {
    this.#hunspell = hunspell;
  }

  /** Takes words as right, in place of those before. */
  setOwn(words: readonly OwnForm[]): void {
    this.#own = new Set(words.map(({ word }) => word));
    for (const { word, like } of words) {
      // A word that is put in with the forms of another stays in: it is right whoever asks.
      if (like && this.#hunspell.testSpelling(like)) this.#hunspell.addWordWithAffix(word, like);
    }
    this.#known.clear();
  }

  isRight(word: string): boolean {
    let right = this.#known.get(word);
    if (right === undefined) this.#known.set(word, (right = this.#asked(word)));
    return right;
  }

  #asked(word: string): boolean {
    if (this.#own.has(word) || this.#own.has(word.replace(POSSESSIVE, ''))) return true;
    // Dictionaries know the typewriter's apostrophe, not all of them that of print.
    return this.#hunspell.testSpelling(word) || (word.includes('’') && this.#hunspell.testSpelling(word.replaceAll('’', "'")));
  }

  suggestions(word: string): string[] {
    const own = this.#hunspell.getSpellingSuggestions(word);
    return word.includes('’') ? own.map((each) => each.replaceAll("'", '’')) : own;
  }
}

/** The dictionaries that ship, by the languages they serve. */
export const DICTIONARIES: Readonly<Record<string, string>> = {
  'en-GB': 'en-gb',
  en: 'en-gb',
  'en-US': 'en',
  de: 'de',
  fr: 'fr',
};

/** The dictionary of a language: its own, else that of the language without a country; undefined where none ships. */
export const dictionaryOf = (language: string): string | undefined =>
  DICTIONARIES[language] ?? DICTIONARIES[language.split('-')[0] ?? ''];
