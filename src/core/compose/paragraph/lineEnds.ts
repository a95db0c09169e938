import type { ParagraphProperties } from '../../records/paragraphStyle';
import { bindingSpaces, breaksWithin, frenchSpace, IDEOGRAPHIC, writesWithoutSpaces } from '../../type/lineBreaks';
import { Breaks, FORCED_BREAK, HYPHEN_BREAK, LAST_WORD_PENALTY, penaltyOf, PLAIN_BREAK } from './breaks';
import { type Characters, OBJECT } from './characters';
import type { SetLook } from './look';
import { mixedWord } from './mixedWord';
import { overhang } from './overhang';
import type { LineEnds, Piece, StyleRun, Tab } from './prepared';
import { UNUSUAL } from './styleRuns';
import { LONG } from './words';

/** What lines may open by between two ideographs, and the thin space of French, as shares of an em. */
const BETWEEN_IDEOGRAPHS = 0.08;
const THIN = 1 / 6;

const breaks = new Breaks();

const NO_BREAK_SPACE = 0xa0;
const TAB = 9;
const LINE_SEPARATOR = 0x2028;
export const isSpace = (code: number): boolean => code === 32 || code === NO_BREAK_SPACE || code === 10 || code === 13;
const endsWord = (code: number): boolean => isSpace(code) || code === LINE_SEPARATOR || code === TAB;

/**
 * Walks through the characters once, from `start` (behind a drop cap): words, the gaps between them, and all places
 * where a line may end.
 */
export function lineEnds(
  { text, pictures }: Characters,
  runs: readonly StyleRun[],
  style: ParagraphProperties,
  main: SetLook,
  start: number,
): LineEnds {
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
      breaks.move(i, kept++);
    }
    breaks.count = kept;
  }
  breaks.add(x, x, stretch, stretch, shrink, shrink, -Infinity, FORCED_BREAK, text.length, text.length);
  const hangs = style.hanging > 0 ? overhang(breaks, text, runs, style.hanging) : undefined;
  return { ...breaks.taken(), pieces, tabs, missing, hangs };
}

/** Where the words of a stretch without spaces begin; the places that hyphens and soft hyphens give are not among them. */
function partsOf(at: number, stretch: string): number[] {
  const out = [at];
  for (const offset of breaksWithin(stretch)) out.push(at + offset);
  return out;
}

const isFrench = (language: string): boolean => /^fr\b/i.test(language);
