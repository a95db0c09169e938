import bidiFactory from 'bidi-js';

/**
 * Writing in two directions: embedding levels and visual order after the Unicode Bidirectional Algorithm (UAX #9),
 * levels by the package `bidi-js`, which passes Unicode's own tests.
 */
export interface Levels {
  /** For every UTF-16 unit: even runs to the right, odd to the left. */
  readonly of: Uint8Array;
  /** The paragraph's own direction: that of its first strong character (rules P2 and P3). */
  readonly rightToLeft: boolean;
}

const bidi = bidiFactory();

/** Letters, marks and controls that are written, or make others be written, from right to left. */
const RIGHT_TO_LEFT = /[\u0590-\u08FF\uFB1D-\uFDFF\uFE70-\uFEFF\u{10800}-\u{10FFF}\u{1E800}-\u{1EFFF}\u200F\u202B\u202E\u2067]/u;

export const holdsRightToLeft = (text: string): boolean => RIGHT_TO_LEFT.test(text);

/** @returns undefined where everything runs from left to right */
export function levelsOf(text: string): Levels | undefined {
  if (!holdsRightToLeft(text)) return undefined;
  const { levels, paragraphs } = bidi.getEmbeddingLevels(text);
  return { of: levels, rightToLeft: (paragraphs[0]?.level ?? 0) % 2 === 1 };
}

/**
 * The order in which things of these levels stand from left to right (rule L2): from the highest level down to the
 * lowest odd one, every stretch of that level or higher is turned round.
 */
export function visualOrder(levels: ArrayLike<number>): number[] {
  const n = levels.length;
  const order = Array.from({ length: n }, (_, i) => i);
  let highest = 0;
  let lowestOdd = Infinity;
  for (let i = 0; i < n; i++) {
    const level = levels[i]!;
    if (level > highest) highest = level;
    if (level % 2 === 1 && level < lowestOdd) lowestOdd = level;
  }
  for (let level = highest; level >= lowestOdd; level--) {
    for (let i = 0; i < n; i++) {
      if (levels[order[i]!]! < level) continue;
      let j = i;
      while (j + 1 < n && levels[order[j + 1]!]! >= level) j++;
      for (let p = i, q = j; p < q; p++, q--) [order[p], order[q]] = [order[q]!, order[p]!];
      i = j;
    }
  }
  return order;
}
