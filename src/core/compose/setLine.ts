import type { Side } from './column';
import type { Line, LineMark, Run } from './displayList';
import type { SetLook } from './looks';
import { FORCED_BREAK, HYPHEN_BREAK, type Prepared } from './prepared';
import { stopAfter, tabWidth } from './tabs';
import { OBJECT } from './characters';
import { hyphened } from './words';

/** Where a line goes: its space on the page, in points. */
export interface LinePlace {
  readonly x: number;
  readonly width: number;
  readonly baseline: number;
  /** Which side of the spine its page lies on. */
  readonly side: Side;
}

/**
 * The words of the line that is being set, as columns used again for every line: their run, what they are wide, and
 * the gaps, their widths and the glyphs before each, which move it when they give or take.
 */
const words = {
  count: 0,
  runs: [] as { -readonly [K in keyof Run]: Run[K] }[],
  width: new Float64Array(4096),
  gaps: new Float64Array(4096),
  spaces: new Float64Array(4096),
  glyphs: new Float64Array(4096),
};

/**
 * Sets the line between two breaks of a paragraph into its place. A justified line takes up what it is short by with
 * its word spaces first, as far as the style lets them, then with letter spaces, then by the width of its glyphs; what
 * is left then goes to the word spaces all the same, and the line says so in `wordSpace`. What is too long stands out
 * to the right.
 */
export function setLine(of: Prepared, a: number, b: number, place: LinePlace): Line {
  const { style, scale } = of;
  const isFirst = a === 0;
  const isLast = b === of.count - 1;
  const hyphenated = of.flag[b] === HYPHEN_BREAK;
  const indent = indentWithin(of, place.width) + (isFirst ? of.firstIndent : 0);
  const room = Math.max(0, place.width - indent - style.rightIndent);
  const { natural, gaps, glyphs, spaces, leaders } = takeWords(of, a, b, hyphenated);
  const { runs } = words;
  const hangLeft = of.hangs ? of.hangs.left[a]! * scale : 0;
  const hangs = hangLeft + (of.hangs ? of.hangs.right[b]! * scale : 0);
  const short = room - (natural - hangs);

  const align = alignOf(of, place.side, isLast || of.flag[b] === FORCED_BREAK);
  const scales = style.glyphScale.best;
  let letterSpace = style.letterSpace.best * style.size;
  let glyphScale = scales;
  let taken = 0;
  let wordMore = 0;
  if (of.tabs.length === 0 && (align === 'justify' || short < 0)) {
    const filled = justified(of, align === 'justify' ? short : Math.min(0, short), natural, gaps, glyphs, spaces);
    taken = filled.taken;
    if (filled.letterSpace !== letterSpace || filled.glyphScale !== scales) {
      const letterMore = (filled.letterSpace - letterSpace) * scales;
      const scaleMore = filled.glyphScale / scales;
      for (let i = 0; i < words.count; i++) {
        // What comes before a word is words and gaps: words grow with letters and glyphs, gaps by themselves.
        const before = words.spaces[i]!;
        runs[i]!.x = (runs[i]!.x - before + words.glyphs[i]! * letterMore) * scaleMore + before;
        words.width[i] = (words.width[i]! + runs[i]!.shaped.glyphs.length * letterMore) * scaleMore;
      }
      ({ letterSpace, glyphScale } = filled);
    }
    wordMore = filled.wordMore;
    if (wordMore !== 0) for (let i = 0; i < words.count; i++) runs[i]!.x += words.gaps[i]! * wordMore;
  }
  const left = align === 'justify' || align === 'left' ? 0 : align === 'right' ? short - taken : (short - taken) / 2;
  if (of.rightToLeft) reorder();
  const marks = marksOf(of);
  let own: Run[] = runs.slice(0, words.count);
  if (of.pictures.length > 0) own = own.filter((run) => run.text !== OBJECT);
  if (leaders) own = [...own, ...leaders].sort((p, q) => p.x - q.x);
  if (of.marker && isFirst) {
    own.unshift({
      x: hangLeft - Math.max(0, left) - Math.max(of.marker.width + 0.35 * style.size, 0.9 * style.size),
      text: of.marker.text,
      shaped: of.marker.shaped,
      look: of.marker.look,
      drop: 0,
      from: 0,
      to: 0,
      added: true,
    });
  }
  const wide = natural + taken - hangs;
  return {
    x: place.x + indent + Math.max(0, left) - hangLeft,
    baseline: place.baseline,
    width: room,
    natural: wide,
    wordSpace: gaps > 0 && spaces > 0 ? (style.wordSpace.best * (spaces + gaps * wordMore)) / spaces : 1,
    letterSpace,
    glyphScale,
    hyphenated,
    overfull: wide > room + 0.01,
    lastOfParagraph: isLast,
    ascent: of.ascent,
    descent: of.descent,
    runs: own,
    marks,
  };
}

/** A list deep in a list still leaves its text half of the measure. */
export const indentWithin = (of: Prepared, width: number): number => Math.min(of.indent, Math.max(0, width / 2));

type PlainAlign = 'justify' | 'left' | 'centre' | 'right';

function alignOf(of: Prepared, side: Side, ends: boolean): PlainAlign {
  const { align, lastLine } = of.style;
  if (align === 'justify') return ends ? lastLine : 'justify';
  if (align === 'towardsSpine') return side === 'left' ? 'right' : 'left';
  if (align === 'awayFromSpine') return side === 'left' ? 'left' : 'right';
  return align;
}

/** How what a line is short by (or, negative, over) is shared out. */
function justified(of: Prepared, short: number, natural: number, gaps: number, glyphs: number, spaces: number) {
  const { wordSpace, letterSpace: letters, glyphScale: scales, size } = of.style;
  let letterSpace = letters.best * size;
  let glyphScale = scales.best;
  let left = short;
  const grows = short > 0;
  const wordLimit = grows
    ? (spaces * (wordSpace.most - wordSpace.best)) / wordSpace.best
    : (-spaces * (wordSpace.best - wordSpace.least)) / wordSpace.best;
  let words = gaps > 0 ? (grows ? Math.min(left, wordLimit) : Math.max(left, wordLimit)) : 0;
  left -= words;
  if (left !== 0 && glyphs > 0 && letters.least !== letters.most) {
    const limit = ((grows ? letters.most : letters.least) - letters.best) * size * glyphs * scales.best;
    const given = grows ? Math.min(left, limit) : Math.max(left, limit);
    letterSpace += given / glyphs / scales.best;
    left -= given;
  }
  if (left !== 0 && natural > spaces && scales.least !== scales.most) {
    const body = (natural - spaces) / scales.best + (letterSpace - letters.best * size) * glyphs;
    const limit = ((grows ? scales.most : scales.least) - scales.best) * body;
    const given = grows ? Math.min(left, limit) : Math.max(left, limit);
    glyphScale += given / body;
    left -= given;
  }
  // Beyond every limit a justified line is still filled, by its spaces; only a tight one may stand out.
  if (left > 0 && gaps > 0) {
    words += left;
    left = 0;
  }
  return { wordMore: gaps > 0 ? words / gaps : 0, letterSpace, glyphScale, taken: short - left };
}

/** Takes the words of a line from its beginning, at natural spacing, tabs done; points. */
function takeWords(of: Prepared, a: number, b: number, hyphenated: boolean) {
  const { text, pieces, runs, style, scale, positions } = of;
  const from = of.next[a]!;
  const to = of.end[b]!;
  const scales = style.glyphScale.best;
  const letter = style.letterSpace.best * style.size;
  let leaders: Run[] | undefined;
  let count = 0;
  let x = 0;
  let gaps = 0;
  let glyphs = 0;
  let spaces = 0;
  let tab = 0;
  while (tab < of.tabs.length && of.tabs[tab]!.at < from) tab++;
  let tabShift = 0;
  let gap = a;
  let at = from;
  for (let p = firstPiece(pieces, from); p < pieces.length; p++) {
    const piece = pieces[p]!;
    if (piece.from >= to) break;
    const run = runs[piece.run]!;
    const { look } = run;
    while (tab < of.tabs.length && of.tabs[tab]!.at < piece.from) {
      const own = of.tabs[tab]!;
      const end = of.tabs[tab + 1] !== undefined && of.tabs[tab + 1]!.at < to ? of.tabs[tab + 1]!.x : of.before[b]!;
      const worth = tabWidth(of, a, own, tabShift / scale, end);
      const stop = stopAfter(style, of.indent + x);
      if (stop.leader) (leaders ??= []).push(...leader(stop.leader, run, x, worth));
      x += worth;
      tabShift += worth;
      at = own.at + 1;
      tab++;
    }
    if (piece.from > at) {
      while (gap < b && of.end[gap]! < at) gap++;
      // A gap that is itself a break says what it is worth; only no-break spaces and the like are measured again.
      let width = -1;
      for (let i = gap; i < b && of.end[i] === at; i++) if (of.next[i] === piece.from) width = gapWidth(of, i);
      if (width < 0) width = run.words.space * look.scale * style.wordSpace.best * (piece.from - at);
      x += width;
      spaces += width;
      gaps++;
    }
    const cutFrom = piece.from < from ? from : piece.from;
    const cutTo = piece.to > to ? to : piece.to;
    const ends = hyphenated && cutTo === to;
    const whole = cutFrom === piece.from && cutTo === piece.to && !ends;
    const own = whole ? piece.word.text : text.slice(cutFrom, cutTo);
    const shown = ends ? hyphened(own) : own;
    const shaped = whole ? piece.word.shaped : look.shaper.shape(shown);
    const n = shaped.glyphs.length;
    const width =
      own === OBJECT ? piece.word.width * look.scale : (shaped.width * look.scale + n * (look.tracking + letter)) * scales;
    if (count === words.width.length) growWords();
    words.width[count] = width;
    words.gaps[count] = gaps;
    words.spaces[count] = spaces;
    words.glyphs[count] = glyphs;
    words.runs[count] = {
      x,
      text: shown,
      shaped,
      look,
      drop: 0,
      from: positions ? positions[cutFrom]! : cutFrom,
      to: positions ? positions[cutTo]! : cutTo,
      added: ends,
    };
    count++;
    x += width;
    glyphs += n;
    at = piece.to;
  }
  words.count = count;
  return { natural: x, gaps, glyphs, spaces, leaders };
}

function growWords(): void {
  for (const key of ['width', 'gaps', 'spaces', 'glyphs'] as const) {
    const more = new Float64Array(words[key].length * 2);
    more.set(words[key]);
    words[key] = more;
  }
}

/** What lies between two words at a break, without what hangs over there; points. */
function gapWidth(of: Prepared, i: number): number {
  const hanging = of.hangs ? of.hangs.left[i]! + of.hangs.right[i]! : 0;
  return (of.after[i]! - of.before[i]! - hanging) * of.scale;
}

/** Copies of a leader that fill a tab, standing where those of the lines above and below do. */
function leader(text: string, run: Prepared['runs'][number], x: number, width: number): Run[] {
  const { look } = run;
  const shaped = look.shaper.shape(text);
  const one = shaped.width * look.scale + shaped.glyphs.length * look.tracking;
  if (one <= 0) return [];
  const out: Run[] = [];
  const clear = 0.25 * look.size;
  for (let i = Math.ceil((x + clear) / one); (i + 1) * one <= x + width - clear; i++) {
    out.push({ x: i * one, text, shaped, look, drop: 0, from: 0, to: 0, added: true });
  }
  return out;
}

const isTurned = ({ shaped: { clusters } }: Run): boolean =>
  clusters.length > 1 ? clusters[0]! > clusters[clusters.length - 1]! : false;

/** Words written from right to left that follow one another change places (UAX #9, rule L2, one level deep). */
function reorder(): void {
  const { runs, width, count } = words;
  for (let i = 0; i < count; i++) {
    if (!isTurned(runs[i]!)) continue;
    let j = i;
    while (j + 1 < count && isTurned(runs[j + 1]!)) j++;
    const sum = runs[i]!.x + runs[j]!.x + width[j]!;
    for (let k = i; k <= j; k++) runs[k]!.x = sum - runs[k]!.x - width[k]!;
    i = j;
  }
}

/** Pictures among the words, and lines under and through stretches of them, the gaps between them included. */
function marksOf(of: Prepared): LineMark[] | undefined {
  const { runs, width, count } = words;
  if (of.pictures.length === 0 && !of.runs.some(({ look }) => look.underline || look.strike)) return undefined;
  const out: LineMark[] = [];
  for (let i = 0; i < count; i++) {
    const run = runs[i]!;
    const look = run.look as SetLook;
    const picture = run.text === OBJECT ? of.pictures.find((each) => positionOf(of, each.at) === run.from) : undefined;
    if (picture) {
      const box = { x: run.x, y: -picture.height - picture.rise, w: picture.width, h: picture.height };
      out.push({ type: 'picture', box, picture: picture.picture });
    }
    if (!look.underline && !look.strike) continue;
    let j = i;
    while (j + 1 < count && runs[j + 1]!.look === look) j++;
    out.push(...linesOf(look, run.x, runs[j]!.x + width[j]!));
    i = j;
  }
  return out.length > 0 ? out : undefined;
}

const positionOf = (of: Prepared, at: number): number => (of.positions ? of.positions[at]! : at);

function linesOf(look: SetLook, x0: number, x1: number): LineMark[] {
  const { face } = look.shaper;
  const one = ({ at, weight }: { at: number; weight: number }, over: boolean): LineMark => ({
    type: 'area',
    box: { x: x0, y: -(at + weight / 2) * look.scale - look.rise, w: x1 - x0, h: weight * look.scale },
    ink: look.ink,
    over,
  });
  return [...(look.underline ? [one(face.underline, false)] : []), ...(look.strike ? [one(face.strike, true)] : [])];
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
