import type { ParagraphProperties } from '../records/paragraphStyle';
import type { Node } from 'prosemirror-model';
import type { ListAttrs } from '../records/text';
import { type Levels, levelsOf } from '../type/bidi';
import { hasCharacter } from '../type/face';
import { bindingSpaces, breaksWithin, frenchSpace, IDEOGRAPHIC, writesWithoutSpaces } from '../type/lineBreaks';
import { type Characters, charactersOf, OBJECT, type Segment, type Situation } from './characters';
import type { Looks, SetLook } from './looks';
import { markerText } from './markers';
import {
  FORCED_BREAK,
  HYPHEN_BREAK,
  type Piece,
  PLAIN_BREAK,
  type Prepared,
  type PreparedCap,
  type StyleRun,
  type Tab,
} from './prepared';
import { LONG, type Word } from './words';

/** What preparing a paragraph draws on. */
export interface Setting {
  readonly looks: Looks;
  readonly language: string;
  /** A picture's size in pixels; undefined when it is gone. */
  picture(id: string): { readonly width: number; readonly height: number } | undefined;
}

/** Demerits of a hyphen at a line's end, as a penalty of Knuth and Plass; plain TeX's \hyphenpenalty is 50. */
const HYPHEN_PENALTY = 50;
/**
 * Of a break where a word may not be parted at all. Greater than the badness of the loosest line there can be, less
 * than that of one that stands out: it is taken only when there is nothing else.
 */
const EMERGENCY_PENALTY = 1e9;
/** Of a hyphen in a last word that must be parted somewhere: rather that than a cut without one. */
const LAST_WORD_PENALTY = 1e6;

/** What lines may open by between two ideographs, and the thin space of French, as shares of an em. */
const BETWEEN_IDEOGRAPHS = 0.08;
const THIN = 1 / 6;

/** Share of the type size that a list item stands in, per level. */
const LIST_INDENT = 1.25;

const ALONE: Situation = { values: [], endsStory: false };

/** @throws FaceError when a face it needs has not been loaded into the shaper */
export function prepare(
  paragraph: Node,
  style: ParagraphProperties,
  setting: Setting,
  situation: Situation = ALONE,
  lead?: number,
): Prepared {
  const { looks } = setting;
  const main = looks.of(style);
  const characters = charactersOf(paragraph, style, setting, situation, lead);
  const cap = dropCap(characters, style, main, setting);
  const levels = levelsOf(characters.text);
  const lacking = new Set<string>();
  const runs = styleRuns(characters, style, main, looks, levels, lacking);
  const list = paragraph.attrs['list'] as ListAttrs | undefined;
  const marker = list && markerText(list, style);
  const shapedMarker = marker ? main.shaper.shape(marker) : undefined;
  const face = main.shaper.face;
  const broken = breaksOf(characters, runs, style, main, cap?.text.length ?? 0);
  return {
    text: characters.text,
    style,
    runs,
    positions: characters.positions,
    scale: main.scale,
    space: looks.words(main, style.hyphens, style.hyphenLimits).space,
    pieces: broken.pieces,
    count: broken.count,
    before: broken.before,
    after: broken.after,
    stretchBefore: broken.stretchBefore,
    stretchAfter: broken.stretchAfter,
    shrinkBefore: broken.shrinkBefore,
    shrinkAfter: broken.shrinkAfter,
    penalty: broken.penalty,
    flag: broken.flag,
    end: broken.end,
    next: broken.next,
    hangs: broken.hangs,
    tabs: broken.tabs,
    missing: broken.missing,
    pictures: characters.pictures,
    cap,
    ruleInks:
      style.ruleAbove || style.ruleBelow
        ? [looks.ink(style.ruleAbove ?? style.ruleBelow!), looks.ink(style.ruleBelow ?? style.ruleAbove!)]
        : undefined,
    ascent: face.ascent * main.scale,
    descent: -face.descent * main.scale,
    capHeight: face.capHeight * main.scale,
    marker: shapedMarker && { text: marker!, shaped: shapedMarker, width: shapedMarker.width * main.scale, look: main },
    indent: style.leftIndent + (list ? LIST_INDENT * style.size * (list.level + 1) : 0),
    firstIndent: list || cap ? 0 : style.firstIndent,
    lacks: lacksOf(runs, cap, lacking),
    levels,
    rise: Math.max(...runs.map(({ look }) => riseOf(look))),
    fall: Math.max(...runs.map(({ look }) => fallOf(look))),
    fields: characters.fields,
    withLead:
      style.leadIn?.extent === 'line' && lead === undefined
        ? remembered((to) => prepare(paragraph, style, setting, situation, to))
        : undefined,
    memory: { width: NaN, broken: undefined, lines: [] },
  };
}

/** How far letters of a look stand above the line's baseline and hang below it, points. */
export const riseOf = ({ shaper: { face }, scale, rise, outline }: SetLook): number =>
  face.ascent * scale + rise + (outline?.weight ?? 0);
export const fallOf = ({ shaper: { face }, scale, rise, outline }: SetLook): number =>
  -face.descent * scale - rise + (outline?.weight ?? 0);

function remembered(make: (key: number) => Prepared): (key: number) => Prepared {
  const kept = new Map<number, Prepared>();
  return (key) => {
    let own = kept.get(key);
    if (!own) kept.set(key, (own = make(key)));
    return own;
  };
}

function lacksOf(runs: readonly StyleRun[], cap: PreparedCap | undefined, lacking: ReadonlySet<string>): readonly string[] {
  let out: readonly string[] = lacking.size > 0 ? [...lacking] : NOTHING;
  for (const { look } of runs) if (look.lacks.length > 0) out = [...new Set([...out, ...look.lacks])];
  return cap && cap.look.lacks.length > 0 ? [...new Set([...out, ...cap.look.lacks])] : out;
}

const NOTHING: readonly string[] = [];

/** Characters that any of our faces may lack: beyond Latin with its accents and usual punctuation. */
const UNUSUAL = /[^\u0000-\u024F\u2000-\u206F\u2028\uFFFC]/;

/**
 * Looks over the characters, a look that lacks a character giving way to the next face that has it; each run in one
 * direction.
 *
 * @param lacking takes the characters that another face had to give, or none has
 */
function styleRuns(
  characters: Characters,
  style: ParagraphProperties,
  main: SetLook,
  looks: Looks,
  levels: Levels | undefined,
  lacking: Set<string>,
): StyleRun[] {
  const out: StyleRun[] = [];
  const put = (from: number, to: number, look: SetLook, level: number) => {
    const last = out[out.length - 1];
    if (last?.look === look && last.level === level) out[out.length - 1] = { ...last, to };
    else {
      const words = looks.words(look, style.hyphens, style.hyphenLimits, level % 2 === 1);
      out.push({ from, to, look, words, factor: look.scale / main.scale, level });
    }
  };
  const add = (from: number, to: number, look: SetLook) => {
    if (!levels) return put(from, to, look, 0);
    for (let at = from; at < to;) {
      const level = levels.of[at]!;
      let end = at + 1;
      while (end < to && levels.of[end] === level) end++;
      put(at, end, look, level);
      at = end;
    }
  };
  for (const segment of characters.segments) {
    const look = looks.of(segment.properties);
    if (UNUSUAL.test(characters.text.slice(segment.from, segment.to)))
      covered(characters.text, segment, look, looks, add, lacking);
    else add(segment.from, segment.to, look);
  }
  if (out.length === 0) add(0, 0, main);
  if (out.length === 0) put(0, 0, main, 0);
  return out;
}

/** Belongs to the character before it: an accent, a joiner, a variation. */
const FOLLOWS = /[\p{M}\u200C\u200D\uFE00-\uFE0F\u{1F3FB}-\u{1F3FF}]/u;

/** Shows nothing of its own, and goes with what stands before it. */
const IGNORABLE = /[\p{Default_Ignorable_Code_Point}\s\uFFFC]/u;

const OF_ITS_OWN = 1;
const FOLLOWING = 2;
const SHOWING_NOTHING = 3;
const kinds = new Uint8Array(0x110000);

/** Whether a character stands on its own, follows the one before it or shows nothing: each is looked up once. */
function kindOf(code: number): number {
  let kind = kinds[code]!;
  if (kind === 0) {
    const character = String.fromCodePoint(code);
    kind = FOLLOWS.test(character) ? FOLLOWING : IGNORABLE.test(character) ? SHOWING_NOTHING : OF_ITS_OWN;
    kinds[code] = kind;
  }
  return kind;
}

const JOINER = 0x200d;

function covered(
  text: string,
  segment: Segment,
  look: SetLook,
  looks: Looks,
  add: (from: number, to: number, look: SetLook) => void,
  lacking: Set<string>,
): void {
  let at = segment.from;
  let from = at;
  let current = look;
  let joined = false;
  const { face } = look.shaper;
  const chosen = new Map<number, SetLook>();
  while (at < segment.to) {
    const code = text.codePointAt(at)!;
    const kind = kindOf(code);
    // What follows begins a run only where there is nothing before it.
    const follows = joined || (kind === FOLLOWING && at > segment.from);
    if (!follows && !(kind === SHOWING_NOTHING || (kind === FOLLOWING && IGNORABLE.test(String.fromCodePoint(code))))) {
      let next = chosen.get(code);
      if (!next) {
        const character = String.fromCodePoint(code);
        const has = hasCharacter(face, code);
        next = has ? look : (looks.fallback(look, character) ?? looks.absent(look));
        if (!has) lacking.add(character);
        chosen.set(code, next);
      }
      if (next !== current && at > from) {
        add(from, at, current);
        from = at;
      }
      current = next;
    }
    joined = code === JOINER;
    at += code > 0xffff ? 2 : 1;
  }
  add(from, at, current);
}

function dropCap(
  { text, segments }: Characters,
  style: ParagraphProperties,
  main: SetLook,
  { looks, language }: Setting,
): PreparedCap | undefined {
  const of = style.dropCap;
  const first = segments[0];
  if (!of || !first) return undefined;
  let to = 0;
  let letters = 0;
  for (const { segment, index } of new Intl.Segmenter(language, { granularity: 'grapheme' }).segment(text)) {
    if (letters === of.letters || /\s/.test(segment) || segment === OBJECT) break;
    to = index + segment.length;
    letters++;
  }
  if (to === 0 || to === text.length) return undefined;
  const own = looks.styled(first.properties, of.style);
  const plain = looks.of(own);
  const { face } = plain.shaper;
  // From the first line's cap height down to the last line's baseline.
  const height = (of.lines - 1) * style.leading + main.shaper.face.capHeight * main.scale;
  const size = (height * face.unitsPerEm) / face.capHeight;
  const look: SetLook = { ...plain, size, scale: size / face.unitsPerEm, tracking: 0, trackingUnits: 0 };
  const letter = text.slice(0, to);
  const shaped = look.shaper.shape(letter);
  const { scale } = look;
  let rise = 0;
  let fall = 0;
  for (const glyph of shaped.glyphs) {
    const extents = face.font.glyphExtents(glyph);
    if (!extents) continue;
    rise = Math.max(rise, extents.yBearing * scale);
    fall = Math.max(fall, -(extents.yBearing + extents.height) * scale);
  }
  const bearing = (face.font.glyphExtents(shaped.glyphs[0]!)?.xBearing ?? 0) * scale;
  return { of, text: letter, shaped, look, width: shaped.width * scale - bearing + of.gap, bearing, rise, fall };
}

/** The arrays of a prepared paragraph while it is made, used again for each. */
class Breaks {
  count = 0;
  before = new Float64Array(256);
  after = new Float64Array(256);
  stretchBefore = new Float64Array(256);
  stretchAfter = new Float64Array(256);
  shrinkBefore = new Float64Array(256);
  shrinkAfter = new Float64Array(256);
  penalty = new Float64Array(256);
  flag = new Uint8Array(256);
  end = new Uint32Array(256);
  next = new Uint32Array(256);

  add(
    before: number,
    after: number,
    stretchBefore: number,
    stretchAfter: number,
    shrinkBefore: number,
    shrinkAfter: number,
    penalty: number,
    flag: number,
    end: number,
    next: number,
  ): void {
    const i = this.count++;
    this.before[i] = before;
    this.after[i] = after;
    this.stretchBefore[i] = stretchBefore;
    this.stretchAfter[i] = stretchAfter;
    this.shrinkBefore[i] = shrinkBefore;
    this.shrinkAfter[i] = shrinkAfter;
    this.penalty[i] = penalty;
    this.flag[i] = flag;
    this.end[i] = end;
    this.next[i] = next;
  }

  /** Begins anew, with room for so many. */
  begin(most: number): void {
    this.count = 0;
    if (most <= this.before.length) return;
    const size = 2 * most;
    this.before = new Float64Array(size);
    this.after = new Float64Array(size);
    this.stretchBefore = new Float64Array(size);
    this.stretchAfter = new Float64Array(size);
    this.shrinkBefore = new Float64Array(size);
    this.shrinkAfter = new Float64Array(size);
    this.penalty = new Float64Array(size);
    this.flag = new Uint8Array(size);
    this.end = new Uint32Array(size);
    this.next = new Uint32Array(size);
  }
}

const breaks = new Breaks();

const NO_BREAK_SPACE = 0xa0;
const TAB = 9;
const HYPHEN = 0x2d;
const LINE_SEPARATOR = 0x2028;
export const isSpace = (code: number): boolean => code === 32 || code === NO_BREAK_SPACE || code === 10 || code === 13;
const endsWord = (code: number): boolean => isSpace(code) || code === LINE_SEPARATOR || code === TAB;

/**
 * Walks through the characters once, from `start` (behind a drop cap): words, the gaps between them, and all places
 * where a line may end.
 */
function breaksOf(
  { text, pictures }: Characters,
  runs: readonly StyleRun[],
  style: ParagraphProperties,
  main: SetLook,
  start: number,
): Pick<
  Prepared,
  | 'pieces'
  | 'tabs'
  | 'count'
  | 'before'
  | 'after'
  | 'stretchBefore'
  | 'stretchAfter'
  | 'shrinkBefore'
  | 'shrinkAfter'
  | 'penalty'
  | 'flag'
  | 'end'
  | 'next'
  | 'hangs'
  | 'missing'
> {
  const { wordSpace, letterSpace, glyphScale } = style;
  const em = main.shaper.face.unitsPerEm;
  // A stretch of natural width w with g glyphs is (w + g·letters)·scale wide: at best, at most, at least.
  const [bestLetters, mostLetters, leastLetters] = [letterSpace.best * em, letterSpace.most * em, letterSpace.least * em];
  const [bestScale, mostScale, leastScale] = [glyphScale.best, glyphScale.most, glyphScale.least];
  const natural = (width: number, glyphs: number) => (width + glyphs * bestLetters) * bestScale;
  const grows = (width: number, glyphs: number) => (width + glyphs * mostLetters) * mostScale - natural(width, glyphs);
  const gives = (width: number, glyphs: number) => natural(width, glyphs) - (width + glyphs * leastLetters) * leastScale;

  // A line may end once at every character at most.
  breaks.begin(text.length + 4);
  breaks.add(0, 0, 0, 0, 0, 0, 0, PLAIN_BREAK, start, start);
  const pieces: Piece[] = [];
  const tabs: Tab[] = [];
  const bound = bindingSpaces(text);
  /** The gap before the next piece: its width at best, and whether it gives and takes. */
  let gap = 0;
  let open = false;
  let x = 0;
  let stretch = 0;
  let shrink = 0;
  let missing = 0;
  let run = 0;
  let picture = 0;
  let at = start;
  let wordStart = 0;

  /** Takes in a word, or what stands for one in a long stretch, with the places where it may be parted. */
  const word = (from: number, to: number): void => {
    while (runs[run]!.to <= from) run++;
    if (to <= runs[run]!.to) {
      const own = runs[run]!;
      const whole = own.words.get(text.slice(from, to));
      pieces.push({ from, to, run, word: whole, gap, open });
      gap = 0;
      open = false;
      missing += whole.shaped.missing;
      const f = own.factor;
      const glyphs = whole.shaped.glyphs.length;
      const width = natural(whole.width, glyphs) * f;
      const grow = grows(whole.width, glyphs) * f;
      const give = gives(whole.width, glyphs) * f;
      for (const b of whole.breaks) {
        const left = natural(b.left, b.leftGlyphs) * f;
        const right = natural(b.right, b.rightGlyphs) * f;
        breaks.add(
          x + left,
          x + width - right,
          stretch + grows(b.left, b.leftGlyphs) * f,
          stretch + grow - grows(b.right, b.rightGlyphs) * f,
          shrink + gives(b.left, b.leftGlyphs) * f,
          shrink + give - gives(b.right, b.rightGlyphs) * f,
          penaltyOf(b.flag),
          b.flag,
          from + b.offset,
          from + b.offset,
        );
      }
      x += width;
      stretch += grow;
      shrink += give;
      return;
    }
    const mixed = mixedWord(text, from, to, runs, run, style.hyphens);
    for (const piece of mixed.pieces) {
      pieces.push({ ...piece, gap, open });
      gap = 0;
      open = false;
    }
    missing += mixed.missing;
    const { width, glyphs } = mixed;
    for (const b of mixed.breaks) {
      const rest = glyphs - b.leftGlyphs;
      breaks.add(
        x + natural(b.left, b.leftGlyphs),
        x + natural(width, glyphs) - natural(b.right, rest),
        stretch + grows(b.left, b.leftGlyphs),
        stretch + grows(width, glyphs) - grows(b.right, rest),
        shrink + gives(b.left, b.leftGlyphs),
        shrink + gives(width, glyphs) - gives(b.right, rest),
        penaltyOf(b.flag),
        b.flag,
        from + b.offset,
        from + b.offset,
      );
    }
    x += natural(width, glyphs);
    stretch += grows(width, glyphs);
    shrink += gives(width, glyphs);
  };

  while (at < text.length) {
    const code = text.charCodeAt(at);
    while (runs[run]!.to <= at) run++;
    if (code === LINE_SEPARATOR) {
      breaks.add(x, x, stretch, stretch, shrink, shrink, -Infinity, FORCED_BREAK, at, at + 1);
      at++;
      continue;
    }
    if (code === TAB) {
      tabs.push({ at, x, stretch, shrink });
      gap = 0;
      open = false;
      if (at > start) breaks.add(x, x, stretch, stretch, shrink, shrink, 0, PLAIN_BREAK, at, at + 1);
      at++;
      continue;
    }
    if (isSpace(code)) {
      // Spaces that follow one another are one gap: they vanish together where a line ends.
      let to = at + 1;
      let parts = code !== NO_BREAK_SPACE;
      for (; to < text.length && isSpace(text.charCodeAt(to)); to++) if (text.charCodeAt(to) !== NO_BREAK_SPACE) parts = true;
      // At a paragraph's end they are nothing.
      if (parts && to === text.length) break;
      const own = runs[run]!;
      const french =
        at > start && to < text.length && isFrench(own.look.language) ? frenchSpace(text[at - 1]!, text[to]!) : undefined;
      const kerned = to === at + 1 && at > own.from && to < own.to;
      const kern = kerned ? own.words.spaceKern(text.charCodeAt(at - 1), text.charCodeAt(to)) : 0;
      const face =
        french === 'thin'
          ? THIN * own.look.shaper.face.unitsPerEm * own.factor
          : (own.words.space * (to - at) + kern) * own.factor;
      open = french === undefined;
      const width = open ? face * wordSpace.best : face;
      const grow = open ? face * (wordSpace.most - wordSpace.best) : 0;
      const give = open ? face * (wordSpace.best - wordSpace.least) : 0;
      if (parts && open && at > start && to < text.length && !bound?.has(to))
        breaks.add(x, x + width, stretch, stretch + grow, shrink, shrink + give, 0, PLAIN_BREAK, at, to);
      x += width;
      stretch += grow;
      shrink += give;
      gap += width;
      at = to;
      continue;
    }
    if (pictures.length > 0 && pictures[picture]?.at === at) {
      // A picture is a word of its own: a line may end on either side of it, as beside a letter of a script without spaces.
      const own = runs[run]!;
      const blank = own.words.get(OBJECT);
      pieces.push({
        from: at,
        to: at + 1,
        run,
        word: { ...blank, width: pictures[picture]!.width / own.look.scale, breaks: [] },
        gap,
        open,
      });
      gap = 0;
      open = false;
      x += pictures[picture]!.width / main.scale;
      picture++;
      at++;
      continue;
    }
    let to = at + 1;
    while (to < text.length && !endsWord(text.charCodeAt(to)) && !(text[to] === OBJECT && pictures[picture]?.at === to)) to++;
    // A long stretch, or one of a script without spaces, is as many words as Unicode lets it be parted into.
    const pieceStart = breaks.count;
    const stretchOfText = to - at > LONG || UNUSUAL.test(text[at]!) ? text.slice(at, to) : '';
    if (stretchOfText !== '' && (stretchOfText.length > LONG || writesWithoutSpaces(stretchOfText))) {
      const parts = partsOf(at, stretchOfText);
      if (parts.length > 1) {
        for (let i = 0; i < parts.length; i++) {
          const from = parts[i]!;
          const until = parts[i + 1] ?? to;
          if (i > 0) {
            // Between ideographs a justified line opens, as it does between words.
            const opens = style.align === 'justify' && IDEOGRAPHIC.test(text.slice(from - 1, from + 1));
            const grow = opens ? BETWEEN_IDEOGRAPHS * em : 0;
            breaks.add(x, x, stretch, stretch + grow, shrink, shrink, 0, PLAIN_BREAK, from, from);
            stretch += grow;
            open = opens;
            gap = 0;
          }
          wordStart = breaks.count;
          word(from, until);
        }
        at = to;
        continue;
      }
    }
    wordStart = pieceStart;
    word(at, to);
    at = to;
  }

  if (!style.hyphenLimits.lastWord && breaks.count > wordStart) {
    let kept = wordStart;
    // A word that is longer than any line has to be parted, and then better at a syllable than anywhere.
    const mustPart = text.length - (breaks.end[wordStart - 1] ?? 0) > LONG;
    for (let i = wordStart; i < breaks.count; i++) {
      if (breaks.flag[i] === HYPHEN_BREAK && !mustPart) continue;
      if (breaks.flag[i] === HYPHEN_BREAK) breaks.penalty[i] = LAST_WORD_PENALTY;
      moveBreak(i, kept++);
    }
    breaks.count = kept;
  }
  breaks.add(x, x, stretch, stretch, shrink, shrink, -Infinity, FORCED_BREAK, text.length, text.length);
  const hangs = style.hanging > 0 ? hang(text, runs, style.hanging) : undefined;
  const n = breaks.count;
  return {
    pieces,
    tabs,
    missing,
    count: n,
    before: breaks.before.slice(0, n),
    after: breaks.after.slice(0, n),
    stretchBefore: breaks.stretchBefore.slice(0, n),
    stretchAfter: breaks.stretchAfter.slice(0, n),
    shrinkBefore: breaks.shrinkBefore.slice(0, n),
    shrinkAfter: breaks.shrinkAfter.slice(0, n),
    penalty: breaks.penalty.slice(0, n),
    flag: breaks.flag.slice(0, n),
    end: breaks.end.slice(0, n),
    next: breaks.next.slice(0, n),
    hangs,
  };
}

const penaltyOf = (flag: number): number =>
  flag === HYPHEN_BREAK ? HYPHEN_PENALTY : flag === PLAIN_BREAK ? 0 : EMERGENCY_PENALTY;

function moveBreak(from: number, to: number): void {
  if (from === to) return;
  const { before, after, stretchBefore, stretchAfter, shrinkBefore, shrinkAfter, penalty, flag, end, next } = breaks;
  for (const column of [before, after, stretchBefore, stretchAfter, shrinkBefore, shrinkAfter, penalty, flag, end, next])
    column[to] = column[from]!;
}

/** Where the words of a stretch without spaces begin; the places that hyphens and soft hyphens give are not among them. */
function partsOf(at: number, stretch: string): number[] {
  const out = [at];
  for (const offset of breaksWithin(stretch)) out.push(at + offset);
  return out;
}

const isFrench = (language: string): boolean => /^fr\b/i.test(language);

/** A word that changes its look on the way: its parts set each by itself, broken where the whole may be. Units of the paragraph. */
function mixedWord(
  text: string,
  at: number,
  to: number,
  runs: readonly StyleRun[],
  first: number,
  hyphens: boolean,
): {
  pieces: Omit<Piece, 'gap' | 'open'>[];
  width: number;
  glyphs: number;
  missing: number;
  breaks: { offset: number; flag: Word['breaks'][number]['flag']; left: number; right: number; leftGlyphs: number }[];
} {
  const own: Omit<Piece, 'gap' | 'open'>[] = [];
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

/** What hangs over the edges at each break; taken off the widths in place. */
function hang(text: string, runs: readonly StyleRun[], amount: number): NonNullable<Prepared['hangs']> {
  const n = breaks.count;
  const left = new Float64Array(n);
  const right = new Float64Array(n);
  const { after, before, next, end, flag } = breaks;
  let mostLeft = 0;
  let mostRight = 0;
  let run = 0;
  for (let i = 0; i < n; i++) {
    const first = next[i]!;
    if (first < text.length) {
      while (runs[run]!.to <= first && run < runs.length - 1) run++;
      while (runs[run]!.from > first && run > 0) run--;
      const { words, factor } = runs[run]!;
      after[i]! += left[i] = words.hangs(text.charCodeAt(first)).left * amount * factor;
      mostLeft = Math.max(mostLeft, left[i]!);
    }
    const last = end[i]! - 1;
    if (i > 0 && last >= 0) {
      while (runs[run]!.to <= last && run < runs.length - 1) run++;
      while (runs[run]!.from > last && run > 0) run--;
      const { words, factor } = runs[run]!;
      const hanging = words.hangs(flag[i] === HYPHEN_BREAK ? HYPHEN : text.charCodeAt(last));
      before[i]! -= right[i] = hanging.right * amount * factor;
      mostRight = Math.max(mostRight, right[i]!);
    }
  }
  return { left, right, mostLeft, mostRight };
}
