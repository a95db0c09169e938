import LineBreaker from 'linebreak';
import type { ParagraphProperties } from '../records/paragraphStyle';
import type { InlineNode, Mark, ParagraphNode } from '../records/text';
import type { FieldValues } from '../page/fields';
import { chooseFace } from '../type/catalogue';
import type { Hyphenation } from '../type/hyphenation';
import type { Shaper } from '../type/shaper';
import type { Ink } from './displayList';
import { FORCED_BREAK, HYPHEN_BREAK, type Piece, type Prepared, type StyleRun } from './prepared';

/** What preparing a paragraph draws on. */
export interface Setting {
  readonly shaper: Shaper;
  readonly hyphenation: Hyphenation;
  readonly language: string;
  readonly fields: FieldValues;
  readonly ink: (swatch: string, tint: number) => Ink;
}

/** Demerits of a hyphen at a line's end, as a penalty of Knuth and Plass; plain TeX's \hyphenpenalty is 50. */
const HYPHEN_PENALTY = 50;

/** Share of the type size that a list item stands in, per level. */
const LIST_INDENT = 1.25;

interface Characters {
  text: string;
  runs: StyleRun[];
  positions: Uint32Array | undefined;
}

/** @throws FaceError when a face it needs has not been loaded into the shaper */
export function prepare(paragraph: ParagraphNode, style: ParagraphProperties, setting: Setting): Prepared {
  const { shaper } = setting;
  const main = mainRun(style, setting);
  const { text, runs, positions } = characters(paragraph, style, main, setting);
  const spaceOf = runs.map((run) => widthOf(shaper, run, setting.language, ' '));

  const before: number[] = [0];
  const after: number[] = [0];
  const stretchBefore: number[] = [0];
  const stretchAfter: number[] = [0];
  const shrinkBefore: number[] = [0];
  const shrinkAfter: number[] = [0];
  const penalty: number[] = [0];
  const flag: number[] = [0];
  const end: number[] = [0];
  const next: number[] = [0];
  const pieces: Piece[] = [];
  let x = 0;
  let stretch = 0;
  let shrink = 0;
  let missing = 0;
  const { least, most } = style.wordSpace;

  const breakAt = (b: number, a: number, p: number, f: number, last: number, first: number, gap = 0, grow = 0, give = 0) => {
    before.push(b);
    after.push(a);
    stretchBefore.push(stretch);
    stretchAfter.push(stretch + grow);
    shrinkBefore.push(shrink);
    shrinkAfter.push(shrink + give);
    penalty.push(p);
    flag.push(f);
    end.push(last);
    next.push(first);
    x += gap;
    stretch += grow;
    shrink += give;
  };

  let run = 0;
  let at = 0;
  while (at < text.length) {
    const code = text.charCodeAt(at);
    while (runs[run]!.to <= at) run++;
    if (code === 0x2028) {
      breakAt(x, x, -Infinity, FORCED_BREAK, at, at + 1);
      at++;
      continue;
    }
    if (isSpace(code)) {
      // Spaces that follow one another are one gap: they vanish together where a line ends.
      let to = at + 1;
      let breaks = code !== NO_BREAK_SPACE;
      for (; to < text.length && isSpace(text.charCodeAt(to)); to++) if (text.charCodeAt(to) !== NO_BREAK_SPACE) breaks = true;
      const kern = to === at + 1 ? spaceKern(shaper, runs[run]!, setting.language, text, at) : 0;
      const width = spaceOf[run]! * (to - at) + kern;
      const grow = width * (most - 1);
      const give = width * (1 - least);
      if (breaks && at > 0 && to < text.length) breakAt(x, x + width, 0, 0, at, to, width, grow, give);
      else {
        x += width;
        stretch += grow;
        shrink += give;
      }
      at = to;
      continue;
    }
    let to = at + 1;
    while (to < text.length && !isSpace(text.charCodeAt(to)) && text.charCodeAt(to) !== 0x2028) to++;
    const first = pieces.length;
    let start = x;
    for (let from = at; from < to;) {
      while (runs[run]!.to <= from) run++;
      const upTo = Math.min(to, runs[run]!.to);
      const shaped = shaper.shape(runs[run]!.face, runs[run]!.features, setting.language, text.slice(from, upTo));
      const width = (shaped.width + runs[run]!.tracking * shaped.glyphs.length) * runs[run]!.factor;
      missing += shaped.missing;
      pieces.push({ from, to: upTo, run, shaped, width });
      start += width;
      from = upTo;
    }
    const word = text.slice(at, to);
    const opportunities = wordBreaks(word, style.hyphens, setting);
    if (opportunities) {
      for (const { offset, hyphen } of opportunities) {
        const cut = at + offset;
        let left = 0;
        let right = 0;
        for (let i = first; i < pieces.length; i++) {
          const piece = pieces[i]!;
          if (piece.to <= cut) {
            left += piece.width;
            if (piece.to === cut && hyphen)
              left += hyphenWidth(shaper, runs[piece.run]!, setting.language, text.slice(piece.from, cut)) - piece.width;
          } else if (piece.from >= cut) right += piece.width;
          else {
            const own = runs[piece.run]!;
            const head = text.slice(piece.from, cut);
            left += hyphen ? hyphenWidth(shaper, own, setting.language, head) : widthOf(shaper, own, setting.language, head);
            right += widthOf(shaper, own, setting.language, text.slice(cut, piece.to));
          }
        }
        breakAt(x + left, start - right, hyphen ? HYPHEN_PENALTY : 0, hyphen ? HYPHEN_BREAK : 0, cut, cut);
      }
    }
    x = start;
    at = to;
  }
  breakAt(x, x, -Infinity, FORCED_BREAK, text.length, text.length);

  const face = shaper.face(main.face);
  const list = paragraph.attrs.list;
  const listIndent = list ? LIST_INDENT * style.size * (list.level + 1) : 0;
  const markerText = list ? (list.kind === 'number' ? `${list.number ?? 1}.` : '•') : '';
  const markerShaped = list ? shaper.shape(main.face, main.features, setting.language, markerText) : undefined;
  return {
    text,
    style,
    runs,
    pieces,
    positions,
    language: setting.language,
    scale: main.scale,
    space: widthOf(shaper, main, setting.language, ' '),
    count: before.length,
    before: Float64Array.from(before),
    after: Float64Array.from(after),
    stretchBefore: Float64Array.from(stretchBefore),
    stretchAfter: Float64Array.from(stretchAfter),
    shrinkBefore: Float64Array.from(shrinkBefore),
    shrinkAfter: Float64Array.from(shrinkAfter),
    penalty: Float64Array.from(penalty),
    flag: Uint8Array.from(flag),
    end: Uint32Array.from(end),
    next: Uint32Array.from(next),
    ascent: face.ascent * main.scale,
    descent: -face.descent * main.scale,
    marker: markerShaped && { text: markerText, shaped: markerShaped, width: markerShaped.width * main.scale },
    indent: style.leftIndent + listIndent,
    firstIndent: list ? 0 : style.firstIndent,
    missing,
  };
}

const NO_BREAK_SPACE = 0xa0;
const isSpace = (code: number): boolean => code === 32 || code === NO_BREAK_SPACE || code === 9 || code === 10 || code === 13;

function mainRun(style: ParagraphProperties, setting: Setting): StyleRun {
  return styleRun(style, style.weight, style.italic, style.features.join(','), setting, undefined);
}

function styleRun(
  style: ParagraphProperties,
  weight: number,
  italic: boolean,
  features: string,
  setting: Setting,
  main: StyleRun | undefined,
): StyleRun {
  const choice = chooseFace(style.family, weight, italic) ?? chooseFace('Source Serif 4', weight, italic)!;
  const face = setting.shaper.face(choice.face.id);
  const scale = style.size / face.unitsPerEm;
  return {
    from: 0,
    to: 0,
    face: face.id,
    features,
    size: style.size,
    scale,
    factor: main ? scale / main.scale : 1,
    tracking: (style.tracking * face.unitsPerEm) / 1000,
    rise: 0,
    ink: setting.ink(style.swatch, style.tint),
  };
}

/** The paragraph's characters with fields filled in, and the style runs over them. */
function characters(paragraph: ParagraphNode, style: ParagraphProperties, main: StyleRun, setting: Setting): Characters {
  const nodes = paragraph.content ?? [];
  let text = '';
  const runs: StyleRun[] = [];
  const hasField = nodes.some((node) => node.type === 'field');
  const positions: number[] = [];
  let position = 0;
  for (const node of nodes) {
    const shown = shownText(node, setting.fields);
    if (shown === '') {
      position += 1;
      continue;
    }
    const own = markedRun(node.marks, style, main, setting);
    const from = text.length;
    text += shown;
    const last = runs.at(-1);
    if (last && sameLook(last, own)) runs[runs.length - 1] = { ...last, to: text.length };
    else runs.push({ ...own, from, to: text.length });
    if (hasField) for (let i = 0; i < shown.length; i++) positions.push(node.type === 'text' ? position + i : position);
    position += node.type === 'text' ? shown.length : 1;
  }
  if (runs.length === 0) runs.push({ ...main, from: 0, to: 0 });
  if (hasField) positions.push(position);
  return { text, runs, positions: hasField ? Uint32Array.from(positions) : undefined };
}

function shownText(node: InlineNode, fields: FieldValues): string {
  if (node.type === 'text') return node.text ?? '';
  if (node.type === 'lineBreak') return '\u2028';
  return fields[node.attrs!.name];
}

function markedRun(marks: readonly Mark[] | undefined, style: ParagraphProperties, main: StyleRun, setting: Setting): StyleRun {
  if (!marks || marks.length === 0) return main;
  const has = (type: Mark['type']) => marks.some((mark) => mark.type === type);
  const features = [...style.features, ...(has('superscript') ? ['sups'] : []), ...(has('subscript') ? ['subs'] : [])];
  // Emphasis inside italic text is set upright, as is common practice.
  const italic = has('emphasis') ? !style.italic : style.italic;
  return styleRun(style, has('strong') ? Math.max(700, style.weight) : style.weight, italic, features.join(','), setting, main);
}

const sameLook = (a: StyleRun, b: StyleRun): boolean =>
  a.face === b.face && a.features === b.features && a.size === b.size && a.ink === b.ink;

function widthOf(shaper: Shaper, run: StyleRun, language: string, text: string): number {
  const shaped = shaper.shape(run.face, run.features, language, text);
  return (shaped.width + run.tracking * shaped.glyphs.length) * run.factor;
}

const hyphenWidth = (shaper: Shaper, run: StyleRun, language: string, head: string): number =>
  widthOf(shaper, run, language, `${head}-`);

/**
 * What the face's kerning adds to a space between its two neighbours. Words are shaped by themselves, so that they
 * can be remembered; few faces kern with the space, and this is where those that do are done justice.
 */
function spaceKern(shaper: Shaper, run: StyleRun, language: string, text: string, at: number): number {
  if (at === 0 || at === text.length - 1 || run.from >= at || run.to <= at + 1) return 0;
  const left = text[at - 1]!;
  const right = text[at + 1]!;
  const shape = (of: string) => shaper.shape(run.face, run.features, language, of).width;
  const kern = shape(`${left} `) - shape(left) + (shape(` ${right}`) - shape(right)) - 2 * shape(' ');
  return kern * run.factor;
}

interface Opportunity {
  readonly offset: number;
  readonly hyphen: boolean;
}

/** Breaks that Unicode (UAX #14) allows inside a stretch without spaces, remembered by stretch. */
const attachedBreaks = new Map<string, readonly number[]>();

const PLAIN_WORD = /^[\p{L}\p{M}'’‘“”"().,;:!?]*$/u;

function unicodeBreaks(word: string): readonly number[] {
  if (PLAIN_WORD.test(word) && !/[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]/u.test(word)) return [];
  let out = attachedBreaks.get(word);
  if (!out) {
    const found: number[] = [];
    const breaker = new LineBreaker(word);
    for (let next = breaker.nextBreak(); next; next = breaker.nextBreak()) {
      if (next.position < word.length && word[next.position - 1] !== '\u00AD') found.push(next.position);
    }
    out = found;
    if (attachedBreaks.size > 50_000) attachedBreaks.clear();
    attachedBreaks.set(word, out);
  }
  return out;
}

function wordBreaks(word: string, hyphens: boolean, setting: Setting): readonly Opportunity[] | undefined {
  const attached = unicodeBreaks(word);
  const soft = word.includes('\u00AD');
  if (attached.length === 0) {
    const points = hyphens || soft ? setting.hyphenation.points(word, setting.language) : [];
    return points.length === 0 ? undefined : points.map((offset) => ({ offset, hyphen: true }));
  }
  const out: Opportunity[] = [];
  let from = 0;
  for (const to of [...attached, word.length]) {
    // A word joined by a hyphen is broken at that hyphen only, as is common practice.
    if (hyphens && !word.includes('-')) {
      for (const point of setting.hyphenation.points(word.slice(from, to), setting.language))
        out.push({ offset: from + point, hyphen: true });
    }
    if (to < word.length) out.push({ offset: to, hyphen: false });
    from = to;
  }
  return out;
}
