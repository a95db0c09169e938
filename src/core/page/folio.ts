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

/** A number from 1 as a folio of a style; letters go on after z with aa, ab. */
export function folioFigure(n: number, style: FolioStyle): string {
  switch (style) {
    case '1':
      return String(n);
    case 'i':
    case 'I': {
      let out = '';
      let left = n;
      for (const [value, letters] of ROMAN) {
        for (; left >= value; left -= value) out += letters;
      }
      return style === 'I' ? out.toUpperCase() : out;
    }
    case 'a':
    case 'A': {
      let out = '';
      for (let left = n; left > 0; left = Math.floor((left - 1) / 26)) out = String.fromCharCode(97 + ((left - 1) % 26)) + out;
      return style === 'A' ? out.toUpperCase() : out;
    }
  }
}

/** The folio of the page that is so many behind the first of its section. */
export const folioOf = ({ style, prefix, start }: Folios, behind: number): string => prefix + folioFigure(start + behind, style);
