import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { sentencesOf } from '../support/sentences';

/** Every sentence of the interface, spelt as `hunspell` has British English (dictionary en_GB of Debian). */

/** Words of the trade, of standards and of people's keyboards that the dictionary does not have. */
const OURS = new Set([
  ...['standfirst', 'Standfirst', 'Strapline', 'Crosshead', 'flatplan', 'Flatplan', 'Handoff', 'CMYK', 'EPUB'],
  ...['OpenType', 'ss01', 'liga', 'WebP', 'AVIF', 'Archivo', 'Noto', 'SemiBold', 'ExtraBold', 'Esc', 'npm', 'px'],
  ...["IPTC's", 'ninjs', 'Ternhaven', 'Fraunces', 'Oxblood', 'crosshead', 'crossheads'],
]);

describe('the interface', () => {
  it('is spelt as British English is', () => {
    const said = sentencesOf([
      'app',
      'src/screens',
      'src/parts',
      'src/client',
      'src/core',
      'src/services',
      'src/formats/copy',
      'src/formats/pictures',
      'src/formats/wire',
      'src/store',
    ]);
    expect(said.length).toBeGreaterThan(800);
    const text = said.map(({ words }) => words.replace(/’/g, "'").replace(/[–—/·…×]|\d+mm/g, ' ')).join('\n');
    const unknown = new Set(
      execFileSync('hunspell', ['-d', 'en_GB', '-i', 'utf-8', '-l'], { input: text, encoding: 'utf8' })
        .split('\n')
        .filter((word) => word !== '' && !OURS.has(word)),
    );
    const where = (word: string) => said.find(({ words }) => words.includes(word));
    expect([...unknown].map((word) => [word, where(word)])).toEqual([]);
  });
});

/** Words in the copy of the demo that the dictionary does not have: a kite, a measure of herring, a place where rope is laid. */
const OF_THE_COPY = new Set(['rokkaku', 'cran', 'ropewalk', 'yds', 'necktie']);

/** The words of files of copy that the dictionary does not have. */
function unknownIn(files: readonly string[]): string[] {
  const text = files.map((file) =>
    readFileSync(file, 'utf8')
      .replace(/’/g, "'")
      .replace(/[–—*_#|>]/g, ' '),
  );
  const input = text.join('\n');
  return execFileSync('hunspell', ['-d', 'en_GB', '-i', 'utf-8', '-l'], { input, encoding: 'utf8' }).split('\n');
}

/** Words of the trade in the manual that the dictionary does not have. */
const OF_THE_MANUAL = new Set(['standfirst', 'byline', 'folio', 'folios', 'hairlines', 'galley', 'newsdesk', 'EPUB', 'Handoff']);

describe('the chapters of the manual', () => {
  it('are spelt as British English is', () => {
    const folder = join('docs', 'manual', 'chapters');
    const unknown = unknownIn(readdirSync(folder).map((file) => join(folder, file))).filter((word) => word !== '');
    expect([...new Set(unknown)].filter((word) => !OF_THE_MANUAL.has(word))).toEqual([]);
  });
});

describe('the copy of the demo', () => {
  it('is spelt as British English is, names aside, and each name in one way', () => {
    const files = readdirSync('demo', { recursive: true, encoding: 'utf8' }).filter((file) => /stories\d*\/.*\.md$/.test(file));
    expect(files.length).toBeGreaterThan(50);
    const unknown = unknownIn(files.map((file) => join('demo', file)));
    expect([...new Set(unknown)].filter((word) => /^[a-z]/.test(word) && !OF_THE_COPY.has(word))).toEqual([]);
    // Two names that differ in one letter are mostly one name, misspelt; these are two families each.
    const names = [...new Set(unknown.map((word) => word.replace(/'s$/, '')))].filter((word) => /^[A-Z][a-z]{4,}$/.test(word));
    const alike = (a: string, b: string) => a.length === b.length && [...a].filter((letter, i) => letter !== b[i]).length === 1;
    const twins = names.flatMap((a, i) => names.slice(i + 1).flatMap((b) => (alike(a, b) ? [[a, b]] : [])));
    expect(twins.map((pair) => pair.sort().join(' and ')).sort()).toEqual(['Carrow and Sarrow', 'Roake and Rooke']);
  });
});
