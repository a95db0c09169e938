import { inOrder, isBefore, samePlace, type TextPlace, type TextRange } from '../../editing/places';
import type { Box, Point } from '../../geometry/box';
import { composedWith, inverse, mapped, mappedBox } from '../../geometry/matrix';
import { type Line, type PageList, type Run, runWidth, type TextItem } from './displayList';

/** Where a caret stands: a box without width on a page. */
export interface PlacedCaret {
  readonly page: string;
  readonly box: Box;
}

/** What is selected on a page: for each stretch of a line the four corners of its area, page coordinates. */
export interface SelectedArea {
  readonly page: string;
  readonly areas: readonly (readonly [Point, Point, Point, Point])[];
}

interface Found {
  readonly page: string;
  readonly item: TextItem;
  /** Of the column that the line stands in. */
  readonly column: Box;
  readonly line: Line;
  readonly paragraph: number;
  /** The first and last position that the line shows. */
  readonly from: number;
  readonly to: number;
}

const known = new WeakMap<TextItem, readonly Found[]>();

function linesIn(item: TextItem, page: string): readonly Found[] {
  let found = known.get(item);
  if (!found) {
    const own: Found[] = [];
    for (const { box, lines, paragraphs } of item.columns)
      lines.forEach((line, i) => {
        if (paragraphs[i]! >= 0) own.push({ page, item, column: box, line, paragraph: paragraphs[i]!, ...span(line) });
      });
    known.set(item, (found = own));
  }
  return found;
}

/** The lines of a text that are shown, in its own order, which that of pages need not be. */
function linesOf(pages: readonly PageList[], text: string): readonly Found[] {
  const parts: (readonly Found[])[] = [];
  for (const { page, items } of pages)
    for (const item of items) {
      if (item.type !== 'text' || item.text !== text) continue;
      const lines = linesIn(item, page);
      if (lines.length > 0) parts.push(lines);
    }
  const first = (lines: readonly Found[]): TextPlace => ({ paragraph: lines[0]!.paragraph, offset: lines[0]!.from });
  return parts.sort((a, b) => (isBefore(first(a), first(b)) ? -1 : isBefore(first(b), first(a)) ? 1 : 0)).flat();
}

function span(line: Line): { from: number; to: number } {
  let from = Infinity;
  let to = -Infinity;
  for (const run of line.runs) {
    if (run.to === run.from) continue;
    from = Math.min(from, run.from);
    to = Math.max(to, run.to);
  }
  return from <= to ? { from, to } : { from: 0, to: 0 };
}

/** Which of a text's lines a place is in; −1 where none shows it. */
function lineAt(lines: readonly Found[], { paragraph, offset }: TextPlace): number {
  let last = -1;
  for (let i = 0; i < lines.length; i++) {
    const found = lines[i]!;
    if (found.paragraph !== paragraph) {
      if (last >= 0) break;
      continue;
    }
    // A place at a line's end, where a space vanished, still belongs to that line.
    if (last >= 0 && found.from > offset) break;
    last = i;
    if (offset <= found.to) break;
  }
  return last;
}

/** A character that is not seen, and where it stands: the middle of its width on its baseline, page coordinates. */
export interface Invisible {
  readonly page: string;
  readonly sign: '·' | '°' | '→' | '↵' | '¶' | '¬';
  readonly at: Point;
  /** Of the letters beside it, points. */
  readonly size: number;
}

const SIGNS: Readonly<Record<string, Invisible['sign']>> = {
  ' ': '·',
  '\u00a0': '°',
  '\u202f': '°',
  '\t': '→',
  '\u2028': '↵',
  '\u00ad': '¬',
};

/** The characters of some pages' texts that are not seen: spaces, tabs, ends of lines and paragraphs. @param textOf the paragraphs of a text, plain */
export function invisiblesOn(pages: readonly PageList[], textOf: (text: string) => readonly string[]): Invisible[] {
  const out: Invisible[] = [];
  for (const { page, items } of pages)
    for (const item of items) {
      if (item.type !== 'text') continue;
      const paragraphs = textOf(item.text);
      const { transform } = item;
      const placed = (at: Point): Point => (transform ? mapped(transform, at) : at);
      for (const { line, paragraph, from, to } of linesIn(item, page)) {
        const text = paragraphs[paragraph] ?? '';
        // A big initial does not make its line’s other spaces big.
        const size = Math.min(line.ascent * 2, ...line.runs.filter((run) => run.to > run.from).map(({ look }) => look.size));
        const put = (sign: Invisible['sign'], x: number, offset: number) => {
          const turn = turnAt(line, offset);
          const at = { x: line.x + x, y: line.baseline };
          out.push({ page, sign, size, at: placed(turn ? mapped(turn, at) : at) });
        };
        for (let offset = from; offset < Math.min(text.length, to + 1); offset++) {
          const sign = SIGNS[text[offset]!];
          if (!sign) continue;
          put(sign, offset < to ? (xOf(line, offset) + xOf(line, offset + 1)) / 2 : xOf(line, to) + size * 0.15, offset);
        }
        if (line.lastOfParagraph) put('¶', xOf(line, Math.max(to, from)) + size * 0.3, to);
      }
    }
  return out;
}

/** What a frame shows of its text: from its first place to the first of the frame behind it, none where it is the last. */
export function shownIn(
  pages: readonly PageList[],
  text: string,
  frame: string,
): { from: TextPlace; to?: TextPlace } | undefined {
  const lines = linesOf(pages, text);
  const at = lines.findIndex(({ item }) => item.frame === frame);
  if (at < 0) return undefined;
  const last = lines.findLastIndex(({ item }) => item.frame === frame);
  const placeIn = ({ paragraph, from }: Found): TextPlace => ({ paragraph, offset: from });
  const next = lines[last + 1];
  return { from: placeIn(lines[at]!), ...(next ? { to: placeIn(next) } : {}) };
}

/** Where the caret before a position stands; undefined where no frame shows it. */
export function caretAt(pages: readonly PageList[], text: string, place: TextPlace): PlacedCaret | undefined {
  const lines = linesOf(pages, text);
  const found = lines[lineAt(lines, place)];
  if (!found) return undefined;
  const { line, item } = found;
  const x = line.x + xOf(line, place.offset);
  const box = { x, y: line.baseline - line.ascent, w: 0, h: line.ascent + line.descent };
  return { page: found.page, box: mappedBox(item.transform, mappedBox(turnAt(line, place.offset), box)) };
}

/** The run that a place of a line is in, rather that which begins there; where spaces are, what comes before. */
function runAt(line: Line, offset: number): Run | undefined {
  let holds: Run | undefined;
  let before: Run | undefined;
  let first: Run | undefined;
  for (const run of line.runs) {
    if (run.from === run.to) continue;
    if (!first || run.from < first.from) first = run;
    if (offset >= run.from && offset <= run.to && (!holds || offset < run.to)) holds = run;
    if (run.to <= offset && (!before || run.to > before.to)) before = run;
  }
  return holds ?? before ?? first;
}

/** Of a line that follows a curve: how it stands there. */
const turnAt = (line: Line, offset: number): Run['turn'] => (line.runs[0]?.turn ? runAt(line, offset)?.turn : undefined);

function xOf(line: Line, offset: number): number {
  const run = runAt(line, offset);
  if (!run) return 0;
  if (offset >= run.from && offset <= run.to) return run.x + widthTo(run, line, offset - run.from);
  const isBehind = offset > run.to;
  return run.rightToLeft === isBehind ? run.x : run.x + runWidth(run, line);
}

/** Width of a run up to one of its positions: by its glyphs, and evenly within a ligature. */
function widthTo(run: Run, line: Line, position: number): number {
  const { glyphs, advances, clusters } = run.shaped;
  const per = run.text.length / Math.max(1, run.to - run.from);
  const at = position * Math.min(1, per);
  const { rightToLeft } = run;
  let x = 0;
  for (let i = 0; i < glyphs.length; i++) {
    const own = (advances[i]! * run.look.scale + run.look.tracking + line.letterSpace) * line.glyphScale;
    const from = clusters[i]!;
    const to = rightToLeft ? (clusters[i - 1] ?? run.text.length) : (clusters[i + 1] ?? run.text.length);
    if (rightToLeft ? at >= to : at <= from) return x;
    if (at > from && at < to) return x + (own * (at - from)) / (to - from);
    x += own;
  }
  return x;
}

/** The position of a line nearest to an x of its own coordinates. */
function nearest({ line, from, to }: Found, x: number): number {
  let best = from;
  let gap = Infinity;
  for (let offset = from; offset <= to; offset++) {
    const d = Math.abs(line.x + xOf(line, offset) - x);
    if (d < gap) [best, gap] = [offset, d];
  }
  return best;
}

/** The position nearest to a point of a page, in the text that has a line nearest to it; undefined where there is none. */
export function placeAt(list: PageList, point: Point, text?: string): { text: string; place: TextPlace } | undefined {
  let best: { distance: number; found: Found; at: Point } | undefined;
  for (const item of list.items) {
    if (item.type !== 'text' || (text !== undefined && item.text !== text)) continue;
    const at = item.transform ? mapped(inverse(item.transform), point) : point;
    for (const found of linesIn(item, list.page)) {
      const { line } = found;
      if (line.runs[0]?.turn) {
        // On a curve every letter is looked for by itself.
        for (const run of line.runs) {
          const own = mapped(inverse(run.turn!), at);
          const above = Math.max(line.baseline - line.ascent - own.y, 0, own.y - line.baseline - line.descent);
          const beside = Math.max(line.x + run.x - own.x, 0, own.x - line.x - run.x - runWidth(run, line));
          const distance = above * 4 + beside;
          if (!best || distance < best.distance) best = { distance, found, at: own };
        }
        continue;
      }
      const above = Math.max(line.baseline - line.ascent - at.y, 0, at.y - line.baseline - line.descent);
      const beside = Math.max(line.x - at.x, 0, at.x - line.x - Math.max(line.natural, 1));
      const distance = above * 4 + beside;
      if (!best || distance < best.distance) best = { distance, found, at };
    }
  }
  if (!best) return undefined;
  const { found, at } = best;
  return { text: found.item.text, place: { paragraph: found.paragraph, offset: nearest(found, at.x) } };
}

/** A place in another line, and how far from the left of its column the way there keeps, points. */
export interface PlaceBeside {
  readonly place: TextPlace;
  readonly goal: number;
}

/**
 * The place a line further down or up, under or over the same x. From the first line up it is the beginning of what is
 * shown, from the last one down its end.
 *
 * @param goal what the way keeps to, where it began further back
 */
export function placeBeside(pages: readonly PageList[], text: string, place: TextPlace, by: 1 | -1, goal?: number): PlaceBeside {
  const lines = linesOf(pages, text);
  const at = lineAt(lines, place);
  const from = lines[at];
  if (!from) return { place, goal: goal ?? 0 };
  const x = goal ?? from.line.x + xOf(from.line, place.offset) - from.column.x;
  const other = lines[at + by];
  if (!other) return { place: { ...place, offset: by > 0 ? from.to : from.from }, goal: x };
  return { place: { paragraph: other.paragraph, offset: nearest(other, x + other.column.x) }, goal: x };
}

/** The beginning or end of the line that a place is in. */
export function lineEdge(pages: readonly PageList[], text: string, place: TextPlace, end: boolean): TextPlace {
  const lines = linesOf(pages, text);
  const found = lines[lineAt(lines, place)];
  return found ? { ...place, offset: end ? found.to : found.from } : place;
}

/** Of the type's height: how far the area of a line reaches beyond its end where the end of a paragraph is selected. */
const PARAGRAPH_END = 0.25;

/** What is selected of a text on pages, line by line in the true shapes of lines. */
export function selectedAreas(pages: readonly PageList[], text: string, range: TextRange): SelectedArea[] {
  const { from, to } = inOrder(range);
  if (samePlace(from, to)) return [];
  const out: SelectedArea[] = [];
  for (const { page, items } of pages) {
    const areas: (readonly [Point, Point, Point, Point])[] = [];
    for (const item of items) {
      if (item.type !== 'text' || item.text !== text) continue;
      for (const found of linesIn(item, page)) {
        if (found.paragraph < from.paragraph || found.paragraph > to.paragraph) continue;
        const low = found.paragraph === from.paragraph ? from.offset : -1;
        const high = found.paragraph === to.paragraph ? to.offset : Infinity;
        const { line } = found;
        const [top, foot] = [line.baseline - line.ascent, line.baseline + line.descent];
        for (const [left, right, turn] of stretches(found, low, high)) {
          const corners = [
            { x: line.x + left, y: top },
            { x: line.x + right, y: top },
            { x: line.x + right, y: foot },
            { x: line.x + left, y: foot },
          ] as const;
          const transform = turn && item.transform ? composedWith(item.transform, turn) : (turn ?? item.transform);
          areas.push(transform ? (corners.map((corner) => mapped(transform, corner)) as never) : corners);
        }
      }
    }
    if (areas.length > 0) out.push({ page, areas });
  }
  return out;
}

/** Where on a line letters from one position up to another stand, from the line's own x: one stretch, or several where directions mix. */
function stretches({ line, from, to }: Found, low: number, high: number): [number, number, Run['turn']?][] {
  const runs = line.runs.filter((run) => run.from < run.to).sort((a, b) => a.x - b.x);
  const end = (line.ascent + line.descent) * PARAGRAPH_END;
  if (runs.length === 0) return low <= from && high === Infinity ? [[0, end]] : [];
  const out: [number, number, Run['turn']?][] = [];
  runs.forEach((run, i) => {
    const [a, b] = [Math.max(low, run.from), Math.min(high, run.to)];
    if (a >= b) return;
    const [one, other] = [run.x + widthTo(run, line, a - run.from), run.x + widthTo(run, line, b - run.from)];
    let [left, right] = [Math.min(one, other), Math.max(one, other)];
    // A space is nobody's: it is selected with what stands before it where the selection goes on behind, and the other way round.
    const next = runs[i + 1];
    if (next && (run.rightToLeft ? low < run.from : high > run.to)) right = Math.max(right, next.x);
    const before = runs[i - 1];
    if (before && (run.rightToLeft ? high > run.to : low < run.from && low > -1))
      left = Math.min(left, before.x + runWidth(before, line));
    const last = out.at(-1);
    if (run.turn) out.push([left, right, run.turn]);
    else if (last && left <= last[1] + 0.01) last[1] = Math.max(last[1], right);
    else out.push([left, right]);
  });
  if (high === Infinity && line.lastOfParagraph && low <= to) {
    const rightToLeft = runs[0]!.rightToLeft;
    const edge = rightToLeft ? out[0] : out.at(-1);
    if (!edge) out.push(rightToLeft ? [runs[0]!.x - end, runs[0]!.x] : [line.natural, line.natural + end]);
    else if (rightToLeft) edge[0] -= end;
    else edge[1] += end;
  }
  return out;
}
