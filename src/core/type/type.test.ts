import { readFileSync } from 'node:fs';
import * as fontkit from 'fontkit';
import { beforeAll, describe, expect, it } from 'vitest';
import { prose } from '../../../tests/support/documents';
import { shaperWith } from '../../../tests/support/faces';
import { facePath } from '@/formats/faces/files';
import { documentOf } from '../records/document';
import { CATALOGUE, chooseFace } from './catalogue';
import { FaceError, readFace } from './face';
import { fontFaces } from './fontFaces';
import { HYPHENATION_LANGUAGES, hyphenPoints, loadHyphenation, matchLanguage } from './hyphenation';
import type { Shaper } from './shaper';
import { PLAIN, styleSheet } from './styles';

const SERIF = 'SourceSerif4-400';

describe('shaping', () => {
  let shaper: Shaper;
  beforeAll(async () => {
    shaper = await shaperWith(SERIF, 'SourceSerif4-400i', 'Archivo-600');
  });

  // Reference: fontkit, an independent OpenType implementation.
  it.each([SERIF, 'SourceSerif4-400i', 'Archivo-600'])(
    'gives the advances of an independent library, kerning and ligatures included: %s',
    (id) => {
      const font = fontkit.openSync(facePath(id)) as fontkit.Font;
      const words = [
        ...prose(400, 3).split(' '),
        'AVATAR',
        'To',
        'Wave,',
        'office',
        'fjord',
        'affluent',
        'Yes.',
        'L’Été',
        '1,206',
        '(Te)',
        'naïve',
      ];
      for (const word of new Set(words)) {
        const run = font.layout(
          word,
          ['kern', 'liga', 'clig', 'calt', 'ccmp', 'locl', 'mark', 'mkmk', 'rlig'],
          'latn',
          'ENG',
          'ltr',
        );
        const shaped = shaper.with(id, '', 'en-GB').shape(word);
        expect([...shaped.glyphs], word).toEqual(run.glyphs.map((glyph) => glyph.id));
        const per = 1000 / font.unitsPerEm;
        [...shaped.advances].forEach((advance, i) =>
          expect(Math.abs(advance - run.positions[i]!.xAdvance) * per, word).toBeLessThanOrEqual(1),
        );
      }
    },
  );

  it('joins letters where the face has a ligature for them, and lets go of it when told', () => {
    const joined = shaper.with(SERIF, '', 'en-GB').shape('fjord');
    expect(joined.width).toBeGreaterThan(0);
    const off = shaper.with(SERIF, '-liga', 'en-GB').shape('office');
    expect(off.glyphs.length).toBe(6);
  });

  it('uses the face’s own small capitals', () => {
    const small = shaper.with(SERIF, 'smcp', 'en-GB').shape('kite');
    const plain = shaper.with(SERIF, '', 'en-GB').shape('kite');
    expect([...small.glyphs]).not.toEqual([...plain.glyphs]);
  });

  it('counts what the face has no glyph for', () => {
    expect(shaper.with(SERIF, '', 'en-GB').shape('kite 凧').missing).toBe(1);
    expect(shaper.with(SERIF, '', 'en-GB').shape('').glyphs.length).toBe(0);
  });

  it('remembers, and tells an unknown face', () => {
    expect(shaper.with(SERIF, '', 'en-GB').shape('wind')).toBe(shaper.with(SERIF, '', 'en-GB').shape('wind'));
    expect(() => shaper.with('Nobody-400', '', 'en-GB').shape('wind')).toThrow(FaceError);
  });
});

describe('a face', () => {
  it('brings its measures from its tables', () => {
    const face = readFace(SERIF, new Uint8Array(readFileSync(facePath(SERIF))));
    const font = fontkit.openSync(facePath(SERIF)) as fontkit.Font;
    expect(face).toMatchObject({
      unitsPerEm: font.unitsPerEm,
      ascent: font.ascent,
      descent: font.descent,
      capHeight: font.capHeight,
      xHeight: font.xHeight,
    });
  });

  it('is refused when the file holds none', () => {
    expect(() => readFace('x', new Uint8Array([1, 2, 3, 4]))).toThrow(FaceError);
  });

  it('of every entry of the catalogue is there, and is served under its id', () => {
    for (const { id } of CATALOGUE) expect(() => facePath(id)).not.toThrow();
    expect(fontFaces().match(/@font-face/g)).toHaveLength(CATALOGUE.length);
    expect(() => facePath('Nobody-400')).toThrow(FaceError);
  });

  it('is chosen by family, weight and style, and is never faked', () => {
    expect(chooseFace('Source Serif 4', 700, true)).toMatchObject({ exact: true, face: { id: 'SourceSerif4-700i' } });
    // Archivo ships no bold italic here: a real italic stands in, and the choice says so.
    expect(chooseFace('Archivo', 700, true)).toMatchObject({ exact: false, face: { italic: true } });
    expect(chooseFace('Nobody', 400, false)).toBeUndefined();
  });
});

describe('hyphenation', () => {
  beforeAll(() => loadHyphenation(HYPHENATION_LANGUAGES));
  const split = (word: string, language: string) => {
    const points = hyphenPoints(word, language);
    return [...points, word.length].map((to, i) => word.slice(points[i - 1] ?? 0, to)).join('-');
  };

  // Source: The TeXbook, appendix H, hyphenates “hyphenation” so with the patterns of hyphen.tex (en-us).
  it('splits the TeXbook’s example as printed', () => {
    expect(split('hyphenation', 'en-us')).toBe('hy-phen-ation');
  });

  // Source: \showhyphens with hyph-en-gb and hyph-de-1996 of hyph-utf8; from memory.
  it.each([
    ['supercalifragilistic', 'en-us', 'su-per-cal-ifrag-ilis-tic'],
    ['Silbentrennung', 'de', 'Sil-ben-tren-nung'],
    ['Donaudampfschiff', 'de', 'Do-nau-dampf-schiff'],
  ])('splits %s (%s)', (word, language, expected) => {
    expect(split(word, language)).toBe(expected);
  });

  it('lets soft hyphens win, and counts no other', () => {
    expect(hyphenPoints('kite\u00ADmaker\u00ADhouse', 'en-gb')).toEqual([5, 11]);
  });

  it('leaves short words, names of things and figures whole, and looks past quotes and stops', () => {
    expect(hyphenPoints('easy', 'en-gb')).toEqual([]);
    expect(hyphenPoints('McAllister', 'en-gb')).toEqual([]);
    expect(hyphenPoints('20,000', 'en-gb')).toEqual([]);
    expect(hyphenPoints('“observatory,”', 'en-gb')).toEqual(hyphenPoints('observatory', 'en-gb').map((point) => point + 1));
  });

  it('splits the longer part of a word with an apostrophe, and keeps its letters together', () => {
    expect(hyphenPoints('mother’s', 'en-gb')).toEqual([]);
    expect(split('observatory’s', 'en-gb')).toBe(`${split('observatory', 'en-gb')}’s`);
    expect(split('l’observatoire', 'fr')).toBe(`l’${split('observatoire', 'fr')}`);
  });

  it('keeps two letters before a break and three after', () => {
    for (const word of prose(500, 9).split(' ')) {
      const letters = word.replace(/[^a-z]/gi, '').length;
      for (const point of hyphenPoints(word, 'en-gb')) {
        expect(point).toBeGreaterThanOrEqual(2);
        expect(letters - point).toBeGreaterThanOrEqual(3);
      }
    }
  });

  it('finds patterns by language tag', () => {
    expect(matchLanguage('en-GB')).toBe('en-gb');
    expect(matchLanguage('en')).toBe('en-gb');
    expect(matchLanguage('de-AT')).toBe('de');
    expect(matchLanguage('xx')).toBeUndefined();
    expect(hyphenPoints('observatory', 'xx')).toEqual([]);
  });
});

describe('styles', () => {
  const style = (id: string, basedOn: string | undefined, properties: object) => ({
    id,
    kind: 'paragraphStyle' as const,
    name: id,
    ...(basedOn ? { basedOn } : {}),
    properties,
  });

  it('inherit what they do not say', () => {
    const sheet = styleSheet(
      documentOf([
        style('a', undefined, { size: 9, weight: 600 }),
        style('b', 'a', { size: 12 }),
        style('c', 'b', { italic: true }),
      ]),
    );
    expect(sheet.paragraph.get('c')).toMatchObject({ size: 12, weight: 600, italic: true, family: PLAIN.family });
    expect(sheet.paragraph.get('a')).toMatchObject({ size: 9, italic: false });
  });

  it('stand on the plain style when the one they are based on is gone', () => {
    expect(styleSheet(documentOf([style('a', 'gone', { size: 8 })])).paragraph.get('a')).toEqual({ ...PLAIN, size: 8 });
  });

  it('leave the tie aside that closes a circle', () => {
    const round = [style('a', 'b', { size: 8 }), style('b', 'c', { weight: 700 }), style('c', 'a', {})];
    expect(styleSheet(documentOf(round)).paragraph.get('a')).toEqual({ ...PLAIN, size: 8, weight: 700 });
    expect(styleSheet(documentOf([style('a', 'a', { size: 7 })])).paragraph.get('a')).toEqual({ ...PLAIN, size: 7 });
  });
});
