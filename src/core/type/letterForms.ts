import type { Shaper } from './shaper';

/** Another form that a face has for some letters: by the OpenType feature that brings it. */
export interface LetterForm {
  readonly tag: string;
  readonly name: string;
}

/** Features that bring other forms of letters, by their registered names (OpenType specification, feature registry). */
const NAMES: Readonly<Record<string, string>> = {
  salt: 'Alternate',
  swsh: 'Swash',
  cswh: 'Swash in words',
  titl: 'Titling',
  hist: 'Historical',
  ornm: 'Ornament',
  dlig: 'Ligature at choice',
  hlig: 'Historical ligature',
  case: 'For capitals',
  zero: 'Slashed nought',
  frac: 'Fraction',
  ordn: 'Ordinal',
  sinf: 'Scientific inferior',
  sups: 'Superscript',
  subs: 'Subscript',
  smcp: 'Small capitals',
  c2sc: 'Small capitals from capitals',
  onum: 'Old-style figures',
  lnum: 'Lining figures',
  tnum: 'Tabular figures',
  pnum: 'Proportional figures',
  unic: 'Capitals and small letters of one height',
};

/** @returns what a feature is called; undefined where it brings no other form, as kerning does not */
function nameOf(tag: string): string | undefined {
  const set = /^(ss|cv)(\d\d)$/.exec(tag);
  if (set) return `${set[1] === 'ss' ? 'Set' : 'Variant'} ${Number(set[2])}`;
  return NAMES[tag];
}

/** Letters that forms are looked for, at most. */
const MOST_LETTERS = 40;

/** The other forms that a face has for some letters: a feature for which it takes other glyphs. @throws FaceError when it is not loaded */
export function letterForms(shaper: Shaper, face: string, letters: string, language: string): LetterForm[] {
  const words = [...letters].slice(0, MOST_LETTERS).join('');
  const usual = shaper.with(face, '', language).shape(words).glyphs;
  const out: LetterForm[] = [];
  for (const tag of [...shaper.face(face).features].sort()) {
    const name = nameOf(tag);
    if (!name) continue;
    const { glyphs } = shaper.with(face, tag, language).shape(words);
    if (glyphs.length !== usual.length || glyphs.some((glyph, i) => glyph !== usual[i])) out.push({ tag, name });
  }
  return out;
}
