import type { Box, Point } from '../../geometry/box';
import { inverse, mapped, mappedBox } from '../../geometry/matrix';
import type { TextPlace } from '../../records/typing';
import { type Line, type PageList, type Run, runWidth, type TextItem } from './displayList';

/** Where a caret stands: a box without width on a page. */
export interface PlacedCaret {
  readonly page: string;
  readonly box: Box;
}

interface Found {
  readonly page: string;
  readonly item: TextItem;
  readonly line: Line;
  readonly paragraph: number;
}

/** The lines of a text that are shown, in order. */
function* linesOf(pages: readonly PageList[], text: string): Generator<Found> {
  for (const { page, items } of pages) {
    for (const item of items) {
      if (item.type !== 'text' || item.text !== text) continue;
      for (const { lines, paragraphs } of item.columns) {
        for (let i = 0; i < lines.length; i++) {
          if (paragraphs[i]! >= 0) yield { page, item, line: lines[i]!, paragraph: paragraphs[i]! };
        }
      }
    }
  }
}

/** The first and last position that a line shows. */
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

/** Where the caret before a position stands; undefined where no frame shows it. */
export function caretAt(pages: readonly PageList[], text: string, { paragraph, offset }: TextPlace): PlacedCaret | undefined {
  let last: Found | undefined;
  for (const found of linesOf(pages, text)) {
    if (found.paragraph !== paragraph) {
      if (last) break;
      continue;
    }
    const { from, to } = span(found.line);
    // A place at a line's end, where a space vanished, still belongs to that line.
    if (last && from > offset) break;
    last = found;
    if (offset <= to) break;
  }
  if (!last) return undefined;
  const { line, item } = last;
  const x = line.x + xOf(line, offset);
  const box = { x, y: line.baseline - line.ascent, w: 0, h: line.ascent + line.descent };
  return { page: last.page, box: mappedBox(item.transform, box) };
}

function xOf(line: Line, offset: number): number {
  // The run that holds the place, rather that which begins there; where spaces are, the end of what comes before.
  let holds: Run | undefined;
  let before: Run | undefined;
  let first: Run | undefined;
  for (const run of line.runs) {
    if (run.from === run.to) continue;
    if (!first || run.from < first.from) first = run;
    if (offset >= run.from && offset <= run.to && (!holds || offset < run.to)) holds = run;
    if (run.to <= offset && (!before || run.to > before.to)) before = run;
  }
  if (holds) return holds.x + widthTo(holds, line, offset - holds.from);
  if (before) return before.rightToLeft ? before.x : before.x + runWidth(before, line);
  if (!first) return 0;
  return first.rightToLeft ? first.x + runWidth(first, line) : first.x;
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

/** The position nearest to a point of a page, in the text that has a line nearest to it; undefined where there is none. */
export function placeAt(list: PageList, point: Point, text?: string): { text: string; place: TextPlace } | undefined {
  let best: { distance: number; item: TextItem; line: Line; paragraph: number; at: Point } | undefined;
  for (const item of list.items) {
    if (item.type !== 'text' || (text !== undefined && item.text !== text)) continue;
    const at = item.transform ? mapped(inverse(item.transform), point) : point;
    for (const { lines, paragraphs } of item.columns) {
      lines.forEach((line, i) => {
        if (paragraphs[i]! < 0) return;
        const above = Math.max(line.baseline - line.ascent - at.y, 0, at.y - line.baseline - line.descent);
        const beside = Math.max(line.x - at.x, 0, at.x - line.x - Math.max(line.natural, 1));
        const distance = above * 4 + beside;
        if (!best || distance < best.distance) best = { distance, item, line, paragraph: paragraphs[i]!, at };
      });
    }
  }
  if (!best) return undefined;
  const { line, item, paragraph, at } = best;
  const { from, to } = span(line);
  let nearest = from;
  let gap = Infinity;
  for (let offset = from; offset <= to; offset++) {
    const d = Math.abs(line.x + xOf(line, offset) - at.x);
    if (d < gap) [nearest, gap] = [offset, d];
  }
  return { text: item.text, place: { paragraph, offset: nearest } };
}

/** The place a line further down or up, under or over the same x; the end or beginning of the text where there is none. */
export function placeBeside(pages: readonly PageList[], text: string, place: TextPlace, by: 1 | -1): TextPlace {
  const lines = [...linesOf(pages, text)];
  const caret = caretAt(pages, text, place);
  if (!caret) return place;
  const at = lines.findIndex(({ page, line, paragraph, item }) => {
    const box = mappedBox(item.transform, { x: line.x, y: line.baseline - line.ascent, w: 1, h: 1 });
    const { from, to } = span(line);
    return (
      page === caret.page &&
      paragraph === place.paragraph &&
      Math.abs(box.y - caret.box.y) < 0.5 &&
      place.offset >= from - 1 &&
      place.offset <= to + 1
    );
  });
  const other = lines[at + by];
  if (at < 0 || !other) return place;
  const from = lines[at]!;
  const x = xOf(from.line, place.offset) + from.line.x - from.item.box.x;
  const { from: first, to } = span(other.line);
  let nearest = first;
  let gap = Infinity;
  for (let offset = first; offset <= to; offset++) {
    const d = Math.abs(other.line.x + xOf(other.line, offset) - other.item.box.x - x);
    if (d < gap) [nearest, gap] = [offset, d];
  }
  return { paragraph: other.paragraph, offset: nearest };
}
