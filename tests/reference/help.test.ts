import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { HELP } from '@/screens/frame/help/entries';

/**
 * How hard help is to read, by the formula of Kincaid, Fishburne, Rogers and Chissom, Derivation of New Readability Formulas (Naval
 * Technical Training Command, Research Branch Report 8-75, 1975; the figures from memory): years of school.
 */
function gradeOf(words: readonly string[], sentences: number): number {
  const syllables = words.reduce((sum, word) => sum + syllablesOf(word), 0);
  return 0.39 * (words.length / sentences) + 11.8 * (syllables / words.length) - 15.59;
}

/** Groups of vowels that are sounded: a silent e at the end is none. */
function syllablesOf(word: string): number {
  const own = word.toLowerCase().replace(/[^a-z]/g, '');
  if (own.length <= 3) return 1;
  const groups = own.replace(/(?:[^laeiouy]es|[^aeioudt]ed|[^laeiouy]e)$/, '').match(/[aeiouy]+/g);
  return Math.max(1, groups?.length ?? 1);
}

const wordsOf = (text: string): string[] => text.split(/[\s–]+/).filter((word) => /[a-z]/i.test(word));
const sentencesIn = (text: string): number => (text.match(/[.!?](?:\s|$)/g) ?? []).length;

describe('the measure itself', () => {
  it('counts syllables as a dictionary does', () => {
    const known = {
      page: 1,
      column: 2,
      gutter: 2,
      paragraph: 3,
      hyphen: 2,
      leading: 2,
      picture: 2,
      sentence: 2,
      practice: 2,
      indented: 3,
    };
    for (const [word, count] of Object.entries(known)) expect(syllablesOf(word), word).toBe(count);
  });

  it('tells a plain sentence from a learned one', () => {
    const plain = 'The cat sat on the mat. It did not move.';
    const learned = 'Typographical considerations necessitate comprehensive consideration of interdependent parameters.';
    expect(gradeOf(wordsOf(plain), sentencesIn(plain))).toBeLessThan(3);
    expect(gradeOf(wordsOf(learned), sentencesIn(learned))).toBeGreaterThan(18);
  });
});

describe('help at a field', () => {
  const entries = Object.entries(HELP);

  it('is there for thirty fields and more, each with what it means and common practice', () => {
    expect(entries.length).toBeGreaterThanOrEqual(30);
    for (const [name, { means, practice }] of entries)
      for (const text of [means, practice]) {
        expect(text, name).toMatch(/^[A-Z0-9].*[.]$/);
        expect(text.length, name).toBeLessThan(170);
      }
  });

  it('is read by somebody of twelve: no more than seven years of school in all, nowhere more than ten', () => {
    const all = entries.map(([, { means, practice }]) => `${means} ${practice}`).join(' ');
    expect(gradeOf(wordsOf(all), sentencesIn(all))).toBeLessThan(7);
    for (const [name, { means, practice }] of entries) {
      const text = `${means} ${practice}`;
      expect(gradeOf(wordsOf(text), sentencesIn(text)), name).toBeLessThan(10);
    }
  });
});

describe('the manual', () => {
  it('is read after six or seven years of school, chapter by chapter', () => {
    const folder = join('docs', 'manual', 'chapters');
    const chapters = readdirSync(folder);
    expect(chapters.length).toBeGreaterThanOrEqual(10);
    for (const file of chapters) {
      const text = readFileSync(join(folder, file), 'utf8').split('\n\n').slice(2).join(' ');
      expect(gradeOf(wordsOf(text), sentencesIn(text)), file).toBeLessThan(7);
    }
  });
});
