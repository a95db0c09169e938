import { paragraphsOf, plainBody, plainText } from '../records/body';
import type { Diff } from '../records/diff';
import { type Document, find, framesOn, get } from '../records/document';
import type { FrameRecord, TextRecord } from '../records/index';
import { textIn } from '../records/kinds/frames';
import type { TextItem } from '../compose/displayList/displayList';
import { type Box, middleOf, overlaps } from '../geometry/box';
import { placedPage, placedPages } from '../page/pages';
import { ActionError, Edit, newId, orderAfter } from './edit';
import { growingText, pageWithGrid, putFrame } from './frames';
import { inOwnStyles } from './styles';
import type { Typesetter } from './typesetter';

/** Stand-off around a pull quote: 0.1875 in is usual (common practice). */
export const QUOTE_STAND_OFF = 13.5;

/** A stretch of one paragraph of a text: characters `from` to `to`. */
export interface Passage {
  readonly text: string;
  readonly paragraph: number;
  readonly from: number;
  readonly to: number;
}

/**
 * Makes a pull quote of a passage, in the house's style. Places in the columns of its story on the spread are tried by composing
 * each; it goes where it does least harm: where no line is pushed out, away from the passage itself and from other quotes, and not
 * at the head or foot of a column. It keeps the passage's words, so that a later change of the story can be noticed.
 *
 * @throws ActionError when the passage is not shown on any page
 */
export function makeQuote(document: Document, passage: Passage, typesetter: Typesetter): Diff {
  const edit = new Edit(document);
  const source = get(document, 'text', passage.text);
  const paragraph = paragraphsOf(source.body)[passage.paragraph];
  const words = paragraph ? plainText(paragraph).slice(passage.from, passage.to).trim() : '';
  if (words === '') throw new ActionError('There are no words to quote there.');
  const spot = findPassage(typesetter, document, passage);
  if (!spot) throw new ActionError('That sentence is not on a page yet, so there is no place beside it.');
  const before = typesetter.compose(document).fits.get(source.id);
  const columns = columnsOf(document, typesetter, passage.text, spot.page);
  const first = columns.find(({ box }) => box === spot.item.columns[spot.column]!.box) ?? columns[0]!;

  const text = edit.put<TextRecord>(
    inOwnStyles(document, {
      id: newId(),
      kind: 'text',
      role: 'quote',
      story: source.story,
      body: plainBody('pullQuote', withQuotes(words)),
      source: { text: source.id, words },
    }),
  );
  const { grid } = pageWithGrid(document, first.page);
  const { box } = first;
  const frame = putFrame(edit, first.page, { x: box.x, y: box.y, w: box.w, h: grid.step }, growingText(text.id), {
    mode: 'frame',
    standOff: QUOTE_STAND_OFF,
    outline: 'alpha',
  });
  const { h } = typesetter.compose(edit.document).grown.get(frame.id)!;
  const others = quotesNear(document, spot.page);
  const there = (place: QuotePlace): FrameRecord => ({
    ...frame,
    on: place.page,
    order: orderAfter(framesOn(document, place.page)),
    box: place.box,
  });
  let best: { readonly place: QuotePlace; readonly harm: number } | undefined;
  for (const place of placesIn(document, columns, h, source.id)) {
    const trial = new Edit(edit.document);
    trial.put(there(place));
    const { fits, grown } = typesetter.compose(trial.document);
    const fit = fits.get(source.id);
    const lost = Math.max(0, (fit?.oversetLines ?? 0) - (before?.oversetLines ?? 0));
    const gaveWay =
      Math.max(0, (fit?.gaveWay ?? 0) - (before?.gaveWay ?? 0)) + Math.max(0, (fit?.overfull ?? 0) - (before?.overfull ?? 0));
    const tall = (grown.get(frame.id)?.h ?? h) > place.column.h ? 1 : 0;
    const harm = 1000 * tall + LOST * lost + GAVE_WAY * gaveWay + nearness(place, spot, others) + EDGE * (place.isAtEdge ? 1 : 0);
    if (!best || harm < best.harm) best = { place, harm };
  }
  const place = best?.place ?? { page: first.page, box: { ...frame.box, h } };
  edit.put({ ...frame, on: place.page, order: orderAfter(framesOn(document, place.page)), box: { ...place.box, h } });
  return edit.diff();
}

/** What harm weighs: a line of the story that is pushed out, a wish of its styles that gives way, a place at a column's edge. */
const LOST = 20;
const GAVE_WAY = 4;
const EDGE = 6;
/** Points from the passage, and from other quotes, beyond which nobody reads the two as one. */
const AWAY = 130;
/** Steps of a column's height at which a quote is tried. */
const HEIGHTS = [0.12, 0.3, 0.45, 0.6, 0.75] as const;
/** Places that are composed at most. */
const MOST_TRIED = 24;

/** A column of a story on a page. */
interface StoryColumn {
  readonly page: string;
  readonly box: Box;
}

interface QuotePlace {
  readonly page: string;
  readonly box: Box;
  readonly column: Box;
  readonly isAtEdge: boolean;
}

/** The columns a story has on the spread of a page; what is turned is left out. */
function columnsOf(document: Document, typesetter: Typesetter, text: string, page: string): StoryColumn[] {
  const spread = placedPage(document, page)?.spread;
  const pages = new Set(placedPages(document).flatMap((each) => (each.spread === spread ? [each.page.id] : [])));
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

/** Where a quote so high could go: on the grid, inside its column, on nothing else that lies there. */
function placesIn(document: Document, columns: readonly StoryColumn[], h: number, text: string): QuotePlace[] {
  const out: QuotePlace[] = [];
  for (const { page, box: column } of columns) {
    const { grid } = pageWithGrid(document, page);
    const top = grid.first - grid.step;
    const taken = framesOn(document, page).filter(
      (frame) => textIn(frame) !== text && !frame.hidden && (frame.wrap.mode !== 'none' || textIn(frame) !== undefined),
    );
    for (const share of HEIGHTS) {
      const y = top + Math.round((column.y + share * (column.h - h) - top) / grid.step) * grid.step;
      const box = { x: column.x, y: Math.max(column.y, y), w: column.w, h };
      if (box.y + h > column.y + column.h || taken.some((frame) => overlaps(frame.box, box))) continue;
      const room = Math.min(box.y - column.y, column.y + column.h - box.y - h);
      out.push({ page, box, column, isAtEdge: room < 4 * grid.step });
    }
  }
  // Evenly out of all there are.
  const every = Math.ceil(out.length / MOST_TRIED);
  return out.filter((_, i) => i % every === 0);
}

/** Boxes of other quotes on the spread of a page. */
function quotesNear(document: Document, page: string): readonly { readonly page: string; readonly box: Box }[] {
  const spread = placedPage(document, page)?.spread;
  return placedPages(document)
    .filter((each) => each.spread === spread)
    .flatMap((each) =>
      framesOn(document, each.page.id).flatMap((frame) =>
        find(document, 'text', textIn(frame))?.role === 'quote' ? [{ page: each.page.id, box: frame.box }] : [],
      ),
    );
}

/** How much too near a place lies to the passage that is quoted, and to other quotes. */
function nearness(
  { page, box }: QuotePlace,
  spot: { readonly page: string; readonly y: number; readonly box: Box },
  others: readonly { readonly page: string; readonly box: Box }[],
): number {
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

function findPassage(typesetter: Typesetter, document: Document, passage: Passage) {
  for (const list of typesetter.compose(document).pages) {
    for (const item of list.items) {
      if (item.type !== 'text' || item.text !== passage.text) continue;
      for (let column = 0; column < item.columns.length; column++) {
        const { lines, paragraphs } = item.columns[column]!;
        const line = lines.find(
          (each, i) =>
            paragraphs[i] === passage.paragraph && each.runs.some((run) => run.to > passage.from && run.from < passage.to),
        );
        if (line)
          return {
            page: list.page,
            item: item satisfies TextItem,
            column,
            y: line.baseline - line.ascent,
            box: item.columns[column]!.box,
          };
      }
    }
  }
  return undefined;
}

/** An opening or closing mark; an apostrophe stands between two letters. */
const MARK = /[‘“”"]|(?<!\p{L})['’]|['’](?!\p{L})/u;

/**
 * The words between the quotation marks of British practice. Where they bring marks of their own these are not doubled:
 * a pair around all of it gives way, and speech within narration stands as it does in the story.
 */
export function withQuotes(words: string): string {
  const text = words.trim();
  const inner = text
    .replace(/^[‘“"']+/, '')
    .replace(/[’”"']+$/, '')
    .trim();
  if (!MARK.test(inner)) return `‘${inner}’`;
  // Marks are left within: speech that ends before the sentence does, or begins after it.
  return text;
}

const spaced = (words: string): string => words.replace(/[\s\u2028]+/g, ' ').trim();

/** What a quote says of its passage, mark by mark: an ellipsis stands for words that are left out. */
export function saysOf(quote: string, passage: string): boolean {
  const whole = spaced(passage);
  let at = 0;
  for (const piece of spaced(quote.replace(/^[‘“"']+|[’”"']+$/g, '')).split('…')) {
    const words = spaced(piece);
    if (words === '') continue;
    const found = whole.indexOf(words, at);
    if (found < 0) return false;
    at = found + words.length;
  }
  return true;
}
