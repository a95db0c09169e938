import { readFile } from 'node:fs/promises';
import { createHunspellFromStrings } from 'hunspell-wasm';
import { changed, matchesIn } from '@/core/finding/find';
import { replaced } from '@/core/finding/replacing';
import { plainBody } from '@/core/records/body';
import { applied } from '@/core/records/diff';
import { documentOf } from '@/core/records/document';
import type { TextRecord } from '@/core/records/index';
import { Speller } from '@/core/spelling/speller';
import { wordsIn } from '@/core/spelling/words';
import { readCopy } from '@/formats/copy/read';
import { writeDocx } from '@/formats/copy/out/docx';
import { passage } from './texts';

/** Words of running text that fill a page of a word processor, set double as copy is (common practice: 250 to 300). */
const WORDS_A_PAGE = 275;

/** Milliseconds that finding and replacing so many places in a text of 30,000 words takes, as one change. */
export async function replacing(words: number, places: number): Promise<number> {
  const paragraphs = await passage(words);
  let left = places;
  const marked = paragraphs.map((paragraph) =>
    paragraph
      .split(' ')
      .map((word, i) => (i % 12 === 0 && left-- > 0 ? 'harbourmark' : word))
      .join(' '),
  );
  const text: TextRecord = { id: 'text', kind: 'text', role: 'body', body: plainBody('body', ...marked) };
  const document = documentOf([text]);
  const from = performance.now();
  const query = { words: 'harbourmark', isPattern: false, matchesCase: false, wholeWords: true, ignoresAccents: false };
  const matches = matchesIn([text], query);
  applied(document, replaced(document, changed(matches, { words: 'landing stage' }, false)));
  const took = performance.now() - from;
  if (matches.length !== places) throw new Error(`${matches.length} places were found, not ${places}.`);
  return took;
}

/** Milliseconds that reading the spelling of so many words takes, the dictionary loaded, and that its loading takes. */
export async function spelling(words: number): Promise<{ reading: number; loading: number }> {
  const paragraphs = await passage(words);
  const file = (kind: string) => readFile(`node_modules/dictionary-en-gb/index.${kind}`, 'utf8');
  const begun = performance.now();
  const speller = new Speller(await createHunspellFromStrings(await file('aff'), await file('dic')));
  const from = performance.now();
  for (const paragraph of paragraphs) for (const { word } of wordsIn(paragraph, 'en-GB')) speller.isRight(word);
  return { reading: performance.now() - from, loading: from - begun };
}

/** Milliseconds that reading a DOCX of so many pages takes. */
export async function readingDocx(pages: number): Promise<number> {
  const paragraphs = await passage(pages * WORDS_A_PAGE);
  const file = await writeDocx(
    'Long',
    paragraphs.map((words) => ({ is: 'paragraph', kind: 'paragraph', runs: [{ words }] })),
  );
  const from = performance.now();
  await readCopy('long.docx', file);
  return performance.now() - from;
}
