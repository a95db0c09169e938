import type { PageList } from '../compose/displayList/displayList';
import { bottom, type Box, middleOf, overlaps, right } from '../geometry/box';
import { placedPage, placedPages } from '../page/pages';
import { type Document, find, framesOn } from '../records/document';
import type { FrameRecord } from '../records/index';
import { textIn } from '../records/kinds/frames';
import type { Stand } from '../records/quoteDesign';
import { ActionError, Edit, orderAfter } from './edit';
import { pageWithGrid } from './frames';
import type { Typesetter } from './typesetter';

/** A stretch of one paragraph of a text: characters `from` to `to`. */
export interface Passage {
  readonly text: string;
  readonly paragraph: number;
  readonly from: number;
  readonly to: number;
}

/** Where a passage is shown. */
export interface Spot {
  readonly page: string;
  /** The column it begins in, and how far down. */
  readonly box: Box;
  readonly y: number;
}

/** Where a quote is to stand. */
export interface Standing {
  readonly stand: Stand;
  /** In columns: how many of them it runs across. */
  readonly across: number;
}

/** What harm weighs: a line of the story that is pushed out, a wish of its styles that gives way, a place at a column's edge. */
const LOST = 20;
const GAVE_WAY = 4;
const EDGE = 6;
/** A line's height of white above or below it, where what would stand there has gone elsewhere. */
const HOLE = 5;
/** Points from the passage, and from other quotes, beyond which nobody reads the two as one. */
const AWAY = 130;
/** Steps of a column's height at which a quote is tried. */
const HEIGHTS = [0.12, 0.3, 0.45, 0.6, 0.75] as const;
/** Places that are composed at most. */
const MOST_TRIED = 24;
/** Of a picture: how much of its width a quote on it takes, and how far it keeps off its edges. */
const ON_PICTURE = 0.46;
const OFF_EDGE = 0.05;
/** Columns further from one another than this, points, are not side by side. */
const GUTTER = 48;

/** A stretch that a quote can stand in, as wide as it will be. */
interface Stretch {
  readonly page: string;
  readonly box: Box;
}

interface QuotePlace extends Stretch {
  readonly column: Box;
  readonly isAtEdge: boolean;
}

/**
 * Puts a quote where it does least harm. The places there are on its spread are tried by composing each: none is taken where a line
 * is pushed out while there is one where none is, and it keeps away from the passage itself, from other quotes and from the ends of
 * columns.
 *
 * @param frame the quote, as it is to be: it need not be in the document yet
 * @param edit has its text in it
 * @throws ActionError where there is no such place on the spread
 */
export function putWell(edit: Edit, frame: FrameRecord, source: string, spot: Spot, how: Standing, typesetter: Typesetter): void {
  const { document } = edit;
  const stretches = stretchesOf(document, typesetter, source, spot.page, how);
  const first = stretches.find(({ page, box }) => page === spot.page && overlaps(box, spot.box)) ?? stretches[0];
  if (!first) throw new ActionError(NOWHERE[how.stand]);
  const laid = (place: Stretch): FrameRecord => ({ ...frame, on: place.page, box: place.box });
  const others = quotesNear(document, spot.page, frame.id);
  const before = without(document, frame.id, typesetter).fits.get(source);
  const heights = new Map<number, number>();
  const heightAt = (stretch: Stretch): number => {
    const known = heights.get(stretch.box.w);
    if (known !== undefined) return known;
    const trial = new Edit(document);
    trial.put(laid({ ...stretch, box: { ...stretch.box, h: 10 } }));
    const h = typesetter.compose(trial.document).grown.get(frame.id)?.h ?? stretch.box.h;
    heights.set(stretch.box.w, h);
    return h;
  };
  let best: { readonly place: QuotePlace; readonly harm: number } | undefined;
  const places =
    how.stand === 'picture' ? placesOn(stretches, heightAt) : placesIn(document, stretches, heightAt, source, frame.id);
  for (const place of places) {
    const trial = new Edit(document);
    trial.put(laid(place));
    const { fits, grown, pages } = typesetter.compose(trial.document);
    const fit = fits.get(source);
    const lost = Math.max(0, (fit?.oversetLines ?? 0) - (before?.oversetLines ?? 0));
    const gaveWay =
      Math.max(0, (fit?.gaveWay ?? 0) - (before?.gaveWay ?? 0)) + Math.max(0, (fit?.overfull ?? 0) - (before?.overfull ?? 0));
    const tall = (grown.get(frame.id)?.h ?? place.box.h) > place.column.h ? 1 : 0;
    const holes = how.stand === 'picture' ? 0 : holesAbout(pages, place, source);
    const harm =
      1000 * tall +
      LOST * lost +
      GAVE_WAY * gaveWay +
      HOLE * holes +
      nearness(place, spot, others) +
      EDGE * (place.isAtEdge ? 1 : 0);
    if (!best || harm < best.harm) best = { place, harm };
  }
  const place = best?.place ?? { page: first.page, box: { ...first.box, h: heightAt(first) } };
  const below = framesOn(document, place.page).filter(({ id }) => id !== frame.id);
  edit.put({ ...laid(place), order: orderAfter(below) });
}

const NOWHERE: Readonly<Record<Stand, string>> = {
  column: 'The story does not have that many columns side by side there.',
  between: 'The story does not have two columns side by side there.',
  picture: 'No picture on that spread is large enough for a quote.',
};

/** How texts fall where a frame is in nobody's way. */
function without(document: Document, id: string, typesetter: Typesetter) {
  const frame = find(document, 'frame', id);
  if (!frame) return typesetter.compose(document);
  const trial = new Edit(document);
  trial.put({ ...frame, hidden: true });
  return typesetter.compose(trial.document);
}

/** The stretches on the spread of a page that a quote can stand in. */
function stretchesOf(
  document: Document,
  typesetter: Typesetter,
  text: string,
  page: string,
  { stand, across }: Standing,
): Stretch[] {
  if (stand === 'picture') return picturesOn(document, page);
  const columns = columnsOf(document, typesetter, text, page);
  const count = stand === 'between' ? 2 : across;
  if (count === 1) return columns;
  const out: Stretch[] = [];
  for (const first of columns) {
    const row = [first];
    while (row.length < count) {
      const last = row.at(-1)!;
      const next = columns.find((each) => each.page === last.page && isBeside(last.box, each.box) && !row.includes(each));
      if (!next) break;
      row.push(next);
    }
    if (row.length < count) continue;
    const [left, last] = [row[0]!.box, row.at(-1)!.box];
    const y = Math.max(...row.map(({ box }) => box.y));
    const h = Math.min(...row.map(({ box }) => bottom(box))) - y;
    const whole = { x: left.x, y, w: right(last) - left.x, h };
    const middle = (right(left) + last.x) / 2;
    const w = (left.w + last.w) / 2;
    out.push({ page: first.page, box: stand === 'between' ? { ...whole, x: middle - w / 2, w } : whole });
  }
  return out;
}

/** Whether a column stands to the right of another, over most of its height. */
const isBeside = (a: Box, b: Box): boolean =>
  b.x >= right(a) - 1 &&
  b.x - right(a) < GUTTER &&
  Math.min(bottom(a), bottom(b)) - Math.max(a.y, b.y) > 0.5 * Math.min(a.h, b.h);

/** The pages of the spread that a page lies in. */
function spreadOf(document: Document, page: string): ReadonlySet<string> {
  const spread = placedPage(document, page)?.spread;
  return new Set(placedPages(document).flatMap((each) => (each.spread === spread ? [each.page.id] : [])));
}

/** The columns a story has on the spread of a page; what is turned is left out. */
function columnsOf(document: Document, typesetter: Typesetter, text: string, page: string): Stretch[] {
  const pages = spreadOf(document, page);
  return typesetter
    .compose(document)
    .pages.flatMap((list) =>
      pages.has(list.page)
        ? list.items.flatMap((item) =>
            item.type === 'text' && item.text === text && !item.transform
              ? item.columns.map(({ box }) => ({ page: list.page, box }))
              : [],
          )
        : [],
    );
}

/** Where quotes can stand on pictures: in each a stretch half as wide, at the side that is farther from what it shows. */
function picturesOn(document: Document, page: string): Stretch[] {
  return [...spreadOf(document, page)].flatMap((on) =>
    framesOn(document, on).flatMap(({ box, content, hidden, rotation }): Stretch[] => {
      if (content.type !== 'picture' || content.picture === undefined || hidden || rotation) return [];
      const w = box.w * ON_PICTURE;
      if (w < LEAST_WIDTH) return [];
      const focus = find(document, 'picture', content.picture)?.focus ?? { x: 0.5, y: 0.5 };
      const off = OFF_EDGE * Math.min(box.w, box.h);
      const left = focus.x > 0.5;
      return [{ page: on, box: { x: left ? box.x + off : right(box) - off - w, y: box.y + off, w, h: box.h - 2 * off } }];
    }),
  );
}

/** Narrower, a quote on a picture would be a column of single words. */
const LEAST_WIDTH = 110;

/** Where on pictures a quote so high could go: at their foot, or at their head where that is farther from what they show. */
function placesOn(stretches: readonly Stretch[], heightAt: (of: Stretch) => number): QuotePlace[] {
  return stretches.flatMap((stretch) => {
    const { page, box: column } = stretch;
    const h = heightAt(stretch);
    if (h > column.h) return [];
    return [column.y + column.h - h, column.y].map((y) => ({ page, column, isAtEdge: false, box: { ...column, y, h } }));
  });
}

/** Where a quote could go: on the grid, inside its columns, on nothing else that lies there. */
function placesIn(
  document: Document,
  stretches: readonly Stretch[],
  heightAt: (of: Stretch) => number,
  text: string,
  own: string,
): QuotePlace[] {
  const out: QuotePlace[] = [];
  for (const stretch of stretches) {
    const { page, box: column } = stretch;
    const h = heightAt(stretch);
    const { grid } = pageWithGrid(document, page);
    const top = grid.first - grid.step;
    const taken = framesOn(document, page).filter(
      (frame) =>
        frame.id !== own &&
        textIn(frame) !== text &&
        !frame.hidden &&
        (frame.wrap.mode !== 'none' || textIn(frame) !== undefined),
    );
    for (const share of HEIGHTS) {
      const y = top + Math.round((column.y + share * (column.h - h) - top) / grid.step) * grid.step;
      const box = { x: column.x, y: Math.max(column.y, y), w: column.w, h };
      if (bottom(box) > bottom(column) || taken.some((frame) => overlaps(frame.box, box))) continue;
      const room = Math.min(box.y - column.y, bottom(column) - bottom(box));
      out.push({ page, box, column, isAtEdge: room < 4 * grid.step });
    }
  }
  // Evenly out of all there are.
  const every = Math.ceil(out.length / MOST_TRIED);
  return out.filter((_, i) => i % every === 0);
}

/** Lines that would have room above and below a quote and are not there: a drop cap that found no place, a head that moved on. */
function holesAbout(pages: readonly PageList[], { page, box }: QuotePlace, text: string): number {
  let holes = 0;
  for (const item of pages.find((list) => list.page === page)?.items ?? []) {
    if (item.type !== 'text' || item.text !== text || item.transform) continue;
    for (const { box: column, lines } of item.columns) {
      if (column.x + column.w < box.x + 1 || column.x > right(box) - 1) continue;
      if (bottom(column) < box.y || column.y > bottom(box) || lines.length === 0) continue;
      const leading = Math.max(1, lines[0]!.ascent + lines[0]!.descent);
      const above = lines.filter(({ baseline }) => baseline <= box.y).at(-1);
      const below = lines.find(({ baseline }) => baseline > bottom(box));
      const white = [box.y - (above ? above.baseline + above.descent : column.y)];
      // Behind the end of a story there is nothing that could be missing.
      if (below) white.push(below.baseline - below.ascent - bottom(box));
      for (const height of white) holes += Math.max(0, height / leading - USUAL_WHITE);
    }
  }
  return holes;
}

/** Lines of white that a stand-off and the grid leave anyway. */
const USUAL_WHITE = 2.2;

/** Boxes of other quotes on the spread of a page. */
function quotesNear(document: Document, page: string, own: string): readonly Stretch[] {
  return [...spreadOf(document, page)].flatMap((on) =>
    framesOn(document, on).flatMap((frame) =>
      frame.id !== own && find(document, 'text', textIn(frame))?.role === 'quote' ? [{ page: on, box: frame.box }] : [],
    ),
  );
}

/** How much too near a place lies to the passage that is quoted, and to other quotes. */
function nearness({ page, box }: QuotePlace, spot: Spot, others: readonly Stretch[]): number {
  const middle = middleOf(box);
  const near = (of: Box, on: string): number => {
    if (on !== page) return 0;
    const at = middleOf(of);
    return Math.max(0, AWAY - Math.hypot(at.x - middle.x, at.y - middle.y)) / 4;
  };
  const own = { ...spot.box, y: spot.y, h: 0 };
  const at = middleOf(own);
  // Of places that are far enough the nearest, on the same page first.
  const far = page === spot.page ? Math.hypot(at.x - middle.x, at.y - middle.y) / 400 : 3;
  const passage = near(own, spot.page) + far;
  return passage + others.reduce((sum, other) => sum + 1.5 * near(other.box, other.page), 0);
}

/** Where a passage is shown; undefined where no page shows it. */
export function findPassage(typesetter: Typesetter, document: Document, passage: Passage): Spot | undefined {
  for (const list of typesetter.compose(document).pages) {
    for (const item of list.items) {
      if (item.type !== 'text' || item.text !== passage.text) continue;
      for (let column = 0; column < item.columns.length; column++) {
        const { lines, paragraphs } = item.columns[column]!;
        const line = lines.find(
          (each, i) =>
            paragraphs[i] === passage.paragraph && each.runs.some((run) => run.to > passage.from && run.from < passage.to),
        );
        if (line) return { page: list.page, y: line.baseline - line.ascent, box: item.columns[column]!.box };
      }
    }
  }
  return undefined;
}
