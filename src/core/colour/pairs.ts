import type { PaletteRecord } from '../records/index';
import type { Role } from '../records/swatch';
import { cmykToRgbHex } from './cmyk';
import { contrast, lightOf, NEEDED, NEEDED_LARGE } from './contrast';

/** Two colours of a palette that may lie on one another, either way round. */
export interface RolePair {
  readonly letters: Role;
  readonly ground: Role;
  /** From 1 to 21 (WCAG 2.2). */
  readonly ratio: number;
  /** What words in one can be read on the other. */
  readonly reads: 'all' | 'large' | 'none';
}

/** Pairs that pages are made of. Paper on an accent contrasts as the accent does on paper. */
const PAIRS: readonly (readonly [letters: Role, ground: Role])[] = [
  ['ink', 'paper'],
  ['accent1', 'paper'],
  ['accent2', 'paper'],
  ['tint', 'paper'],
  ['ink', 'tint'],
  ['accent1', 'tint'],
  ['ink', 'accent1'],
  ['ink', 'accent2'],
];

/** How the colours of a palette contrast with one another, as screens show them. */
export function palettePairs({ colours }: Pick<PaletteRecord, 'colours'>): RolePair[] {
  const light = (role: Role) => lightOf(cmykToRgbHex(colours[role]));
  return PAIRS.map(([letters, ground]) => {
    const ratio = contrast(light(letters), light(ground));
    return { letters, ground, ratio, reads: ratio >= NEEDED ? 'all' : ratio >= NEEDED_LARGE ? 'large' : 'none' };
  });
}
