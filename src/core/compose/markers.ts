import type { ParagraphProperties } from '../records/paragraphStyle';
import type { ParagraphNode } from '../records/text';

/** What stands before a list item. */
export function markerText(list: NonNullable<ParagraphNode['attrs']['list']>, style: ParagraphProperties): string {
  return list.kind === 'bullet' ? style.bullet : `${counted(list.number ?? 1, style.numbering)}.`;
}

/** A number as it is written in a list or a folio: figures, letters (a … z, aa), or Roman numerals. */
export function counted(number: number, as: ParagraphProperties['numbering']): string {
  if (as === 'a' || as === 'A') {
    let out = '';
    for (let n = number; n > 0; n = Math.floor((n - 1) / 26)) out = String.fromCharCode(97 + ((n - 1) % 26)) + out;
    return (as === 'A' ? out.toUpperCase() : out) || String(number);
  }
  if ((as === 'i' || as === 'I') && number > 0 && number < 4000) {
    let out = '';
    let left = number;
    for (const [value, letters] of ROMAN) {
      for (; left >= value; left -= value) out += letters;
    }
    return as === 'I' ? out.toUpperCase() : out;
  }
  return String(number);
}

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
