import type { Side } from '../frames/column';
import type { Line, LineMark, Run } from '../displayList/displayList';
import { visualOrder } from '../../type/bidi';
import { FORCED_BREAK, HYPHEN_BREAK } from '../paragraph/breaks';
import type { SetLook } from '../paragraph/look';
import type { Prepared } from '../paragraph/prepared';
import { stopAfter, tabWidth } from './tabs';
import { OBJECT } from '../paragraph/characters';
import { firstPiece } from '../paragraph/pieces';
import { hyphened } from '../paragraph/words';

/** Where a line goes: its space on the page, in points. */
export interface LinePlace {
  readonly x: number;
  readonly width: number;
  readonly baseline: number;
  /** Which side of the spine its page lies on. */
  readonly side: Side;
  /** At which of its ends something is to be kept away from, so that nothing may hang over: 1 the left, 2 the right. */
  readonly edges: number;
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
  /** The gap before each word, and whether it gives and takes. */
  gap: new Float64Array(4096),
  open: new Uint8Array(4096),
  level: new Uint8Array(4096),
  /** Of the gap before each word. */
  gapLevel: new Uint8Array(4096),
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
  const { natural, gaps, glyphs, spaces, leaders, tabbed } = takeWords(of, a, b, hyphenated);
  const { runs } = words;
  const backwards = of.levels?.rightToLeft === true;
  const [startEdge, endEdge] = backwards ? [2, 1] : [1, 2];
  const over = place.edges === 0 ? NONE_OVER : overhang(place.edges);
  // What hangs over hangs at the line's beginning and end, which are its right and left where it runs from right to left.
  const hangStart = of.hangs && (place.edges & startEdge) === 0 ? of.hangs.left[a]! * scale : -over.start(backwards);
  const hangEnd = of.hangs && (place.edges & endEdge) === 0 ? of.hangs.right[b]! * scale : -over.end(backwards);
  const hangs = hangStart + hangEnd;
  const short = room - (natural - hangs);

  const align = alignOf(of, place.side, isLast || of.flag[b] === FORCED_BREAK);
  const scales = style.glyphScale.best;
  let letterSpace = style.letterSpace.best * style.size;
  let glyphScale = scales;
  let taken = 0;
  let wordMore = 0;
  if (align === 'justify' || short < 0) {
    const own = natural - tabbed.x;
    const filled = justified(of, align === 'justify' ? short : Math.min(0, short), own, gaps, glyphs, spaces);
    taken = filled.taken;
    if (filled.letterSpace !== letterSpace || filled.glyphScale !== scales) {
      const letterMore = (filled.letterSpace - letterSpace) * scales;
      const scaleMore = filled.glyphScale / scales;
      for (let i = tabbed.word; i < words.count; i++) {
        // What comes before a word is words and gaps: words grow with letters and glyphs, gaps by themselves.
        const before = words.spaces[i]! + tabbed.x;
        runs[i]!.x = (runs[i]!.x - before + words.glyphs[i]! * letterMore) * scaleMore + before;
        words.width[i] = (words.width[i]! + runs[i]!.shaped.glyphs.length * letterMore) * scaleMore;
      }
      ({ letterSpace, glyphScale } = filled);
    }
    wordMore = filled.wordMore;
    if (wordMore !== 0)
      for (let i = tabbed.word; i < words.count; i++) {
        runs[i]!.x += words.gaps[i]! * wordMore;
        if (words.open[i]) words.gap[i]! += wordMore;
      }
  }
  const left = align === 'justify' || align === 'left' ? 0 : align === 'right' ? short - taken : (short - taken) / 2;
  if (of.levels) reorder(of.levels.rightToLeft ? 1 : 0, natural + taken);
  const marks = marksOf(of);
  let own: Run[] = runs.slice(0, words.count);
  if (of.pictures.length > 0) own = own.filter((run) => run.text !== OBJECT);
  if (leaders) own = [...own, ...leaders].sort((p, q) => p.x - q.x);
  if (of.marker && isFirst) {
    const away = Math.max(of.marker.width + 0.35 * style.size, 0.9 * style.size) - hangStart + Math.max(0, left);
    own.unshift({
      x: backwards ? natural + taken + away - of.marker.width : -away,
      text: of.marker.text,
      shaped: of.marker.shaped,
      look: of.marker.look,
      rightToLeft: false,
      drop: 0,
      from: 0,
      to: 0,
      added: true,
    });
  }
  const wide = natural + taken - hangs;
  return {
    x: backwards
      ? place.x + place.width - indent - Math.max(0, left) + hangStart - (natural + taken)
      : place.x + indent + Math.max(0, left) - hangStart,
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
    panel: of.panel,
  };
}

/** A list deep in a list still leaves its text half of the measure. */
export const indentWithin = (of: Prepared, width: number): number => Math.min(of.indent, Math.max(0, width / 2));

type PlainAlign = 'justify' | 'left' | 'centre' | 'right';

function alignOf(of: Prepared, side: Side, ends: boolean): PlainAlign {
  const { align, lastLine } = of.style;
  if (align === 'justify') return ends ? lastLine : 'justify';
  // Left and right of a style are the line's beginning and end; the spine lies where it lies.
  const outside = of.levels?.rightToLeft ? 'right' : 'left';
  if (align === 'towardsSpine') return side === outside ? 'right' : 'left';
  if (align === 'awayFromSpine') return side === outside ? 'left' : 'right';
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
  let tabbed = NOT_TABBED;
  let at = from;
  for (let p = firstPiece(pieces, from); p < pieces.length; p++) {
    const piece = pieces[p]!;
    if (piece.from >= to) break;
    const run = runs[piece.run]!;
    const { look } = run;
    let wide = 0;
    let open = false;
    while (tab < of.tabs.length && of.tabs[tab]!.at < piece.from) {
      const own = of.tabs[tab]!;
      const end = of.tabs[tab + 1] !== undefined && of.tabs[tab + 1]!.at < to ? of.tabs[tab + 1]!.x : of.before[b]!;
      const worth = tabWidth(of, a, own, tabShift / scale, end);
      const stop = stopAfter(style, of.indent + x);
      if (stop.leader) (leaders ??= []).push(...leader(stop.leader, run, x, worth));
      x += worth;
      wide += worth;
      tabShift += worth;
      // What stands before a tab stays where it is; what gives and takes is what follows the last.
      gaps = glyphs = spaces = 0;
      tabbed = { word: count, x };
      at = own.at + 1;
      tab++;
    }
    if (piece.from > at || (piece.open && count > 0 && piece.from > from)) {
      const width = piece.gap * scale;
      x += width;
      wide += width;
      if (piece.open) {
        open = true;
        spaces += width;
        gaps++;
      }
    }
    const cutFrom = piece.from < from ? from : piece.from;
    const cutTo = piece.to > to ? to : piece.to;
    const ends = hyphenated && cutTo === to;
    const whole = cutFrom === piece.from && cutTo === piece.to && !ends;
    const own = whole ? piece.word.text : text.slice(cutFrom, cutTo);
    const shown = ends ? hyphened(own) : own;
    const shaped = whole ? piece.word.shaped : run.words.shape(shown);
    const n = shaped.glyphs.length;
    const width =
      own === OBJECT ? piece.word.width * look.scale : (shaped.width * look.scale + n * (look.tracking + letter)) * scales;
    if (count === words.width.length) growWords();
    words.width[count] = width;
    words.gaps[count] = gaps;
    words.spaces[count] = spaces;
    words.glyphs[count] = glyphs;
    words.gap[count] = wide;
    words.open[count] = open ? 1 : 0;
    words.level[count] = run.level;
    words.gapLevel[count] = of.levels ? of.levels.of[Math.max(0, piece.from - 1)]! : 0;
    words.runs[count] = {
      x,
      text: shown,
      shaped,
      look,
      rightToLeft: run.words.rightToLeft,
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
  return { natural: x, gaps, glyphs, spaces, leaders, tabbed };
}

/** The first word behind a line's last tab, and where that begins; points. */
const NOT_TABBED = { word: 0, x: 0 };

const NONE_OVER = { start: (_: boolean) => 0, end: (_: boolean) => 0 };

/**
 * How far the ink of a line's first and last letter reaches over their own widths, as slanted letters do; it is to
 * stay off what the line stands beside. Points, by the ends that stand beside something.
 */
function overhang(edges: number) {
  const { runs, count } = words;
  const at = (edge: number, i: number, last: boolean): number => {
    const run = runs[i];
    if (count === 0 || !run || (edges & edge) === 0 || run.text === OBJECT) return 0;
    const { glyphs, advances } = run.shaped;
    const look = run.look as SetLook;
    const k = last ? glyphs.length - 1 : 0;
    const extents = glyphs.length > 0 ? look.shaper.face.font.glyphExtents(glyphs[k]!) : null;
    if (!extents) return 0;
    const beyond = last ? extents.xBearing + extents.width - advances[k]! : -extents.xBearing;
    return Math.max(0, beyond * look.scale);
  };
  return {
    start: (backwards: boolean) => (backwards ? at(2, 0, true) : at(1, 0, false)),
    end: (backwards: boolean) => (backwards ? at(1, count - 1, false) : at(2, count - 1, true)),
  };
}

function growWords(): void {
  for (const key of ['width', 'gaps', 'spaces', 'glyphs', 'gap'] as const) {
    const more = new Float64Array(words[key].length * 2);
    more.set(words[key]);
    words[key] = more;
  }
  for (const key of ['open', 'level', 'gapLevel'] as const) {
    const more = new Uint8Array(words[key].length * 2);
    more.set(words[key]);
    words[key] = more;
  }
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
    out.push({ x: i * one, text, shaped, look, rightToLeft: false, drop: 0, from: 0, to: 0, added: true });
  }
  return out;
}

/**
 * Words and the gaps between them in the order in which they stand (UAX #9, rule L2), each by its own level.
 */
function reorder(base: number, width: number): void {
  const { runs, count, level, gap, gapLevel } = words;
  if (count === 0) return;
  const levels = new Uint8Array(2 * count - 1);
  for (let i = 0; i < count; i++) {
    levels[2 * i] = level[i]!;
    if (i > 0) levels[2 * i - 1] = gap[i]! > 0 ? gapLevel[i]! : level[i]!;
  }
  // A gap that a line begins with lies outside of what is turned round.
  let x = runs[0]!.x;
  if (base === 1) x = width - lengthOf(count);
  for (const k of visualOrder(levels)) {
    const i = (k + 1) >> 1;
    if (k % 2 === 1) x += gap[i]!;
    else {
      runs[i]!.x = x;
      x += words.width[i]!;
    }
  }
}

/** Of all words and the gaps between them. */
function lengthOf(count: number): number {
  let sum = 0;
  for (let i = 0; i < count; i++) sum += words.width[i]! + (i > 0 ? words.gap[i]! : 0);
  return sum;
}

/** Pictures among the words; areas behind stretches of them and lines under and through them, the gaps between included. */
function marksOf(of: Prepared): LineMark[] | undefined {
  const { runs, width, count } = words;
  if (of.pictures.length === 0 && !of.runs.some(({ look }) => isMarked(look))) return undefined;
  const areas: LineMark[] = [];
  const out: LineMark[] = [];
  for (let i = 0; i < count; i++) {
    const run = runs[i]!;
    const look = run.look as SetLook;
    const picture = run.text === OBJECT ? of.pictures.find((each) => positionOf(of, each.at) === run.from) : undefined;
    if (picture) {
      const box = { x: run.x, y: -picture.height - picture.rise, w: picture.width, h: picture.height };
      out.push({ type: 'picture', box, picture: picture.picture });
    }
    if (!isMarked(look)) continue;
    let j = i;
    // Among words that change places a line runs under each by itself.
    while (!of.levels && j + 1 < count && runs[j + 1]!.look === look) j++;
    const [x0, x1] = [run.x, runs[j]!.x + width[j]!];
    if (look.highlight) areas.push(highlightOf(look, look.highlight, x0, x1));
    out.push(...linesOf(look, x0, x1));
    i = j;
  }
  // An area lies under what its neighbours have, too.
  return out.length + areas.length > 0 ? [...areas, ...out] : undefined;
}

const isMarked = ({ underline, strike, highlight }: SetLook): boolean => underline || strike || highlight !== undefined;

const positionOf = (of: Prepared, at: number): number => (of.positions ? of.positions[at]! : at);

/** The area behind a stretch, from the face’s ascent to its descent. */
function highlightOf(
  { shaper, scale, rise }: SetLook,
  { ink, around }: NonNullable<SetLook['highlight']>,
  x0: number,
  x1: number,
) {
  const { ascent, descent } = shaper.face;
  const [top, foot] = [ascent * scale + rise + around, -descent * scale - rise + around];
  const box = { x: x0 - around, y: -top, w: x1 - x0 + 2 * around, h: top + foot };
  return { type: 'area', box, ink, over: false } as const;
}

function linesOf(look: SetLook, x0: number, x1: number): LineMark[] {
  const { face } = look.shaper;
  const { scale, rise, lineWeight, underlineOffset, strikeOffset } = look;
  /** A line whose middle is so far above the baseline. */
  const one = (middle: number, own: number, over: boolean): LineMark => {
    const weight = lineWeight ?? own * scale;
    return { type: 'area', box: { x: x0, y: -middle - weight / 2 - rise, w: x1 - x0, h: weight }, ink: look.ink, over };
  };
  const out: LineMark[] = [];
  if (look.underline) {
    const { at, weight } = face.underline;
    out.push(one(underlineOffset === undefined ? at * scale : -underlineOffset, weight, false));
  }
  if (look.strike) {
    const { at, weight } = face.strike;
    out.push(one(strikeOffset ?? at * scale, weight, true));
  }
  return out;
}
