import { execFileSync } from 'node:child_process';
import { describe, expect, it } from 'vitest';
import { sentencesOf } from '../support/sentences';

/** Every sentence of the interface, spelt as `hunspell` has British English (dictionary en_GB of Debian). */

/** Words of the trade, of standards and of people's keyboards that the dictionary does not have. */
const OURS = new Set([
  ...['standfirst', 'Standfirst', 'Strapline', 'Crosshead', 'flatplan', 'Flatplan', 'Handoff', 'CMYK', 'EPUB'],
  ...['OpenType', 'ss01', 'liga', 'WebP', 'AVIF', 'Archivo', 'Noto', 'SemiBold', 'ExtraBold', 'Esc', 'npm', 'px'],
  ...["IPTC's", 'ninjs', 'Ternhaven'],
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
