import { HYPHEN_BREAK } from './breaks';
import type { Piece, StyleRun } from './prepared';
import type { WordBreak } from './words';

type Part = Omit<Piece, 'gap' | 'open'>;

/** A word that changes its look on the way: its parts set each by itself, broken where the whole may be. Units of the paragraph. */
export function mixedWord(
  text: string,
  at: number,
  to: number,
  runs: readonly StyleRun[],
  first: number,
  hyphens: boolean,
): {
  pieces: Part[];
  width: number;
  glyphs: number;
  missing: number;
  breaks: Omit<WordBreak, 'rightGlyphs'>[];
} {
  const own: Part[] = [];
  /** Width and glyphs before each piece. */
  const widths = [0];
  const counts = [0];
  let missing = 0;
  for (let from = at, run = first; from < to;) {
    while (runs[run]!.to <= from) run++;
    const upTo = Math.min(to, runs[run]!.to);
    const word = runs[run]!.words.get(text.slice(from, upTo));
    own.push({ from, to: upTo, run, word });
    widths.push(widths[widths.length - 1]! + word.width * runs[run]!.factor);
    counts.push(counts[counts.length - 1]! + word.shaped.glyphs.length);
    missing += word.shaped.missing;
    from = upTo;
  }
  const width = widths[own.length]!;
  const whole = runs[first]!.words.get(text.slice(at, to));
  const points =
    hyphens || text.slice(at, to).includes('\u00AD') ? whole.breaks : whole.breaks.filter((b) => b.flag !== HYPHEN_BREAK);
  let p = 0;
  const out = points.map(({ offset, flag }) => {
    const cut = at + offset;
    while (own[p]!.to < cut) p++;
    const { from, to: end, run } = own[p]!;
    const { words, factor } = runs[run]!;
    const head = text.slice(from, cut);
    const tail = cut < end ? words.widthOf(text.slice(cut, end)) * factor : 0;
    return {
      offset,
      flag,
      left: widths[p]! + words.widthOf(flag === HYPHEN_BREAK ? `${head}-` : head) * factor,
      right: tail + width - widths[p + 1]!,
      leftGlyphs: counts[p]! + words.shape(head).glyphs.length,
    };
  });
  return { pieces: own, width, glyphs: counts[own.length]!, missing, breaks: out };
}
