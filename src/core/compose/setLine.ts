import type { Shaper } from '../type/shaper';
import type { Line, Run } from './displayList';
import { FORCED_BREAK, HYPHEN_BREAK, type Prepared } from './prepared';

/** Where a line goes: its space on the page, in points. */
export interface LinePlace {
  readonly x: number;
  readonly width: number;
  readonly baseline: number;
}

/**
 * Sets the line between two breaks of a paragraph into its place: justified lines by their word spaces, others by
 * their alignment. What a justified line cannot take up within its limits it still takes up, and says so in
 * `wordSpace`; what is too long stands out to the right.
 */
export function setLine(of: Prepared, a: number, b: number, place: LinePlace, shaper: Shaper, isFirst: boolean): Line {
  const { text, pieces, runs, style } = of;
  const from = of.next[a]!;
  const to = of.end[b]!;
  const hyphenated = of.flag[b] === HYPHEN_BREAK;
  const isLast = b === of.count - 1;
  const justified = style.align === 'justify';
  // The last line is set at its natural width, unless the breaking counted on its spaces giving a little.
  const most = of.flag[b] === FORCED_BREAK ? 0 : Infinity;

  // First all words with their real widths, at natural spacing; then the spaces get their share.
  interface Word {
    x: number;
    gaps: number;
    run: Omit<Run, 'x'>;
  }
  const words: Word[] = [];
  let x = 0;
  let gaps = 0;
  let spaces = 0;
  const position = (offset: number): number => (of.positions ? of.positions[offset]! : offset);

  let p = firstPiece(pieces, from);
  let at = from;
  for (; p < pieces.length && pieces[p]!.from < to; p++) {
    const piece = pieces[p]!;
    const run = runs[piece.run]!;
    if (piece.from > at) {
      const width = spaceWidth(of, a, b, at, piece.from, shaper);
      x += width;
      spaces += width;
      gaps++;
    }
    const cutFrom = Math.max(piece.from, from);
    const cutTo = Math.min(piece.to, to);
    const whole = cutFrom === piece.from && cutTo === piece.to;
    const ends = cutTo === to && hyphenated;
    const own = text.slice(cutFrom, cutTo);
    const shaped = whole && !ends ? piece.shaped : shaper.shape(run.face, run.features, of.language, ends ? `${own}-` : own);
    words.push({
      x,
      gaps,
      run: {
        rise: run.rise,
        text: ends ? `${own}-` : own,
        shaped,
        face: run.face,
        size: run.size,
        tracking: run.tracking * run.scale,
        features: run.features,
        ink: run.ink,
        from: position(cutFrom),
        to: position(cutTo),
        added: ends,
      },
    });
    x += (shaped.width + run.tracking * shaped.glyphs.length) * run.scale;
    at = piece.to;
  }

  const indent = of.indent + (isFirst ? of.firstIndent : 0);
  const room = place.width - indent;
  const short = room - x;
  const stretched = justified && gaps > 0 ? Math.max(Math.min(short, most), -spaces * (1 - style.wordSpace.least)) : 0;
  const offset = justified || style.align === 'left' ? 0 : style.align === 'right' ? short : short / 2;
  const perSpace = gaps > 0 ? stretched / gaps : 0;
  const left = place.x + indent + offset;
  const out: Run[] = words.map(({ x: at, gaps: before, run }) => ({ x: left + at + before * perSpace, ...run }));

  if (of.marker && isFirst) {
    const main = runs[0]!;
    out.unshift({
      x: place.x + of.indent - Math.max(of.marker.width + 0.35 * style.size, 0.9 * style.size),
      rise: 0,
      text: of.marker.text,
      shaped: of.marker.shaped,
      face: main.face,
      size: style.size,
      tracking: 0,
      features: main.features,
      ink: main.ink,
      from: 0,
      to: 0,
      added: true,
    });
  }
  return {
    x: left,
    baseline: place.baseline,
    width: room,
    natural: x + stretched,
    wordSpace: gaps > 0 && spaces > 0 ? (spaces + stretched) / spaces : 1,
    hyphenated,
    overfull: x + stretched > room + 0.01,
    lastOfParagraph: isLast,
    ascent: of.ascent,
    descent: of.descent,
    runs: out,
  };
}

/** The first piece that reaches beyond a character. */
function firstPiece(pieces: Prepared['pieces'], from: number): number {
  let low = 0;
  let high = pieces.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (pieces[middle]!.to <= from) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Natural width in points of the spaces between two words of a line. */
function spaceWidth(of: Prepared, a: number, b: number, from: number, to: number, shaper: Shaper): number {
  // A gap that is itself a break says what it is worth; only no-break spaces and the like are measured again.
  let low = a;
  let high = b;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (of.end[middle]! < from) low = middle + 1;
    else high = middle;
  }
  for (let i = low; i <= b && of.end[i] === from; i++) {
    if (of.next[i] === to) return (of.after[i]! - of.before[i]!) * of.scale;
  }
  const run = of.runs.find((each) => each.to > from) ?? of.runs[0]!;
  const shaped = shaper.shape(run.face, run.features, of.language, ' ');
  return (shaped.width + run.tracking) * run.scale * (to - from);
}
