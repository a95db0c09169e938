import type { FolioStyle, Folios } from '../records/section';

const ROMAN: readonly (readonly [number, string])[] = [
  [1000, 'm'],
  [900, 'cm'],
  [500, 'd'],
  [400, 'cd'],
  [100, 'c'],
  [90, 'xc'],
  [50, 'l'],
  [40, 'xl'],
  [10, 'x'],
  [9, 'ix'],
  [5, 'v'],
  [4, 'iv'],
  [1, 'i'],
];

/** A number as it is written in a list or a folio: figures, letters (a … z, aa), or Roman numerals, which end before 4,000. */
export function counted(number: number, as: FolioStyle): string {
  if (number > 0 && (as === 'a' || as === 'A')) {
    let out = '';
    for (let left = number; left > 0; left = Math.floor((left - 1) / 26)) out = String.fromCharCode(97 + ((left - 1) % 26)) + out;
    return as === 'A' ? out.toUpperCase() : out;
  }
  if (number > 0 && number < 4000 && (as === 'i' || as === 'I')) {
    let out = '';
    let left = number;
    for (const [value, letters] of ROMAN) {
      for (; left >= value; left -= value) out += letters;
    }
    return as === 'I' ? out.toUpperCase() : out;
  }
  return String(number);
}

/** The folio of the page that is so many behind the first of its section. */
export const folioOf = ({ style, prefix, start }: Folios, behind: number): string => prefix + counted(start + behind, style);
