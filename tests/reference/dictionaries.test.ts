import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createHunspellFromStrings } from 'hunspell-wasm';
import { describe, expect, it } from 'vitest';
import { Speller } from '@/core/spelling/speller';

/** Our verdicts against those of Debian's `hunspell` with the same dictionaries, on 2,000 words a language. */

const COUNT = 2_000;

const file = (name: string, kind: 'aff' | 'dic') => `node_modules/dictionary-${name}/index.${kind}`;

/** Words of a dictionary, spread over all of it, every second of them with a letter changed, doubled or left out. */
function sampleOf(name: string): string[] {
  const entries = readFileSync(file(name, 'dic'), 'utf8')
    .split('\n')
    .slice(1)
    .map((line) => line.split(/[/\t ]/)[0]!)
    .filter((word) => /^\p{L}{3,}$/u.test(word));
  const step = entries.length / COUNT;
  return Array.from({ length: COUNT }, (_, i) => {
    const word = entries[Math.floor(i * step)]!;
    const at = 1 + (i % (word.length - 1));
    switch (i % 4) {
      case 1:
        return word.slice(0, at) + word.slice(at + 1);
      case 3:
        return word.slice(0, at) + word[at]! + word.slice(at);
      default:
        return word;
    }
  });
}

describe.each(['en-gb', 'en', 'de', 'fr'])('the dictionary %s', (name) => {
  it('gives hunspell’s own verdicts', async () => {
    const speller = new Speller(
      await createHunspellFromStrings(readFileSync(file(name, 'aff'), 'utf8'), readFileSync(file(name, 'dic'), 'utf8')),
    );
    const words = sampleOf(name);
    const wrong = new Set(
      execFileSync('hunspell', ['-d', file(name, 'dic').replace(/\.dic$/, ''), '-i', 'utf-8', '-l'], {
        input: words.join('\n'),
        encoding: 'utf8',
        maxBuffer: 1 << 24,
      })
        .split('\n')
        .filter(Boolean),
    );
    const different = words.filter((word) => speller.isRight(word) === wrong.has(word));
    expect(different).toEqual([]);
    expect(wrong.size).toBeGreaterThan(COUNT / 8);
    expect(wrong.size).toBeLessThan(COUNT * 0.75);
  });
});

describe('own words', () => {
  it('are right, with their possessive, and with the forms of a word they are like', async () => {
    const speller = new Speller(
      await createHunspellFromStrings(readFileSync(file('en-gb', 'aff'), 'utf8'), readFileSync(file('en-gb', 'dic'), 'utf8')),
    );
    expect(speller.isRight('Ternhaven')).toBe(false);
    speller.setOwn([{ word: 'Ternhaven' }, { word: 'bridleline', like: 'line' }]);
    expect(['Ternhaven', 'Ternhaven’s', 'bridleline', 'bridlelines'].map((word) => speller.isRight(word))).toEqual([
      true,
      true,
      true,
      true,
    ]);
    expect(speller.isRight('ternhavn')).toBe(false);
    expect(speller.suggestions('harbuor')).toContain('harbour');
  });
});
