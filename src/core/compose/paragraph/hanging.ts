/**
 * How much of a character hangs over the edge of its column, as a share of its width: left, right.
 *
 * After the protrusion tables of Hàn Thế Thành, "Micro-typographic extensions to the TeX typesetting system", Masaryk
 * University Brno 2000; the figures are from memory and rounded to twentieths.
 */
const SHARES: ReadonlyMap<string, readonly [left: number, right: number]> = new Map([
  ['-', [0, 0.7]],
  ['\u2010', [0, 0.7]],
  ['.', [0, 0.7]],
  [',', [0, 0.7]],
  [':', [0, 0.5]],
  [';', [0, 0.5]],
  ['!', [0, 0.2]],
  ['?', [0, 0.2]],
  ['–', [0.2, 0.3]],
  ['—', [0.15, 0.2]],
  ['‘', [0.7, 0.5]],
  ['’', [0.5, 0.7]],
  ['“', [0.5, 0.3]],
  ['”', [0.3, 0.5]],
  ['"', [0.4, 0.4]],
  ["'", [0.6, 0.6]],
  ['«', [0.3, 0.2]],
  ['»', [0.2, 0.3]],
  ['(', [0.1, 0]],
  [')', [0, 0.1]],
  ['A', [0.05, 0.05]],
  ['T', [0.05, 0.05]],
  ['V', [0.05, 0.05]],
  ['W', [0.05, 0.05]],
  ['Y', [0.05, 0.05]],
  ['r', [0, 0.05]],
  ['y', [0.05, 0.05]],
]);

export const hangsLeft = (character: string): number => SHARES.get(character)?.[0] ?? 0;
export const hangsRight = (character: string): number => SHARES.get(character)?.[1] ?? 0;
