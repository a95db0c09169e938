import { offer } from './earlyMessages';
import { createHunspellFromStrings } from 'hunspell-wasm';
import type { AskedWord } from '@/core/spelling/reading';
import { dictionaryOf, type OwnForm, Speller } from '@/core/spelling/speller';

/** Reads words against dictionaries, as its screen sees it (Comlink). */
export interface SpellingReader {
  /** Takes words as right, in every language. */
  setOwn(words: readonly OwnForm[]): void;
  /** For each word whether it is wrong. What is in a language without a dictionary is taken as right. */
  areWrong(words: readonly AskedWord[]): Promise<boolean[]>;
  /** @throws Error with a sentence where the dictionary is not to be had */
  suggestions(word: AskedWord): Promise<string[]>;
}

const spellers = new Map<string, Promise<Speller>>();
let own: readonly OwnForm[] = [];

async function fetched(file: string): Promise<string> {
  const response = await fetch(new URL(file, self.location.href));
  if (!response.ok) throw new Error('The dictionary could not be fetched. Reload the page to read the spelling.');
  return response.text();
}

function spellerOf(language: string): Promise<Speller> | undefined {
  const dictionary = dictionaryOf(language);
  if (dictionary === undefined) return undefined;
  let speller = spellers.get(dictionary);
  if (!speller) {
    speller = Promise.all([fetched(`${dictionary}.aff`), fetched(`${dictionary}.dic`)]).then(async ([affixes, words]) => {
      const made = new Speller(await createHunspellFromStrings(affixes, words));
      made.setOwn(own);
      return made;
    });
    // What could not be fetched is asked for again the next time.
    speller.catch(() => spellers.delete(dictionary));
    spellers.set(dictionary, speller);
  }
  return speller;
}

const reader: SpellingReader = {
  setOwn(words) {
    own = words;
    for (const speller of spellers.values()) void speller.then((each) => each.setOwn(words));
  },
  async areWrong(words) {
    const byLanguage = new Map<string, Speller | undefined>();
    for (const { language } of words) if (!byLanguage.has(language)) byLanguage.set(language, await spellerOf(language));
    return words.map(({ word, language }) => byLanguage.get(language)?.isRight(word) === false);
  },
  async suggestions({ word, language }) {
    return (await spellerOf(language))?.suggestions(word).slice(0, 8) ?? [];
  },
};

offer(reader);
