import { type Box, contains, overlaps, type Point } from '../geometry/box';
import { type PageGrid, type Stretch, stretchBox } from '../page/grid';
import { isGround } from '../page/ground';
import { formatOf, inheritedFrames, type PlacedPage } from '../page/pages';
import type { Diff } from '../records/diff';
import { all, type Document, framesOn, get } from '../records/document';
import type { AdvertisementSize } from '../records/advertisement';
import type { AdvertisementRecord } from '../records/index';
import { said } from '../records/said';
import { ActionError, Edit, newId, orderAfter } from './edit';
import { pageWithGrid, putFrame, standIn } from './frames';

/** What the sizes are called. */
export const SIZE_WORDS: Readonly<Record<AdvertisementSize, string>> = {
  full: 'Full page',
  halfUpright: 'Half page, vertical',
  halfFlat: 'Half page, horizontal',
  quarter: 'Quarter page',
  column: 'Columns, by lines',
};

/** Lines deep that an advertisement sold by lines is when nothing is said. */
export const USUAL_LINES = 12;

export interface Booking {
  readonly name: string;
  readonly size: AdvertisementSize;
  readonly lines?: number | undefined;
  /** Grid columns that an advertisement sold by lines is wide; one when not said. */
  readonly columns?: number | undefined;
  readonly picture?: string | undefined;
}

/** Books an advertisement for the issue; it waits until it has a place. @throws ActionError */
export function bookAdvertisement(document: Document, { name, size, lines, columns, picture }: Booking): Diff {
  const edit = new Edit(document);
  if (!name.trim()) throw new ActionError('Name the advertiser.');
  if (size === 'column' && lines !== undefined && !(Number.isInteger(lines) && lines >= 1 && lines <= 400))
    throw new ActionError('An advertisement is 1 to 400 lines deep.');
  if (size === 'column' && columns !== undefined && !(Number.isInteger(columns) && columns >= 1 && columns <= 24))
    throw new ActionError('An advertisement is 1 to 24 columns wide.');
  edit.put<AdvertisementRecord>(
    said({
      id: newId(),
      kind: 'advertisement',
      name: name.trim(),
      order: orderAfter(all(document, 'advertisement')),
      size,
      lines: size === 'column' ? (lines ?? USUAL_LINES) : undefined,
      columns: size === 'column' && columns !== 1 ? columns : undefined,
      picture,
    }),
  );
  return edit.diff();
}

/** Takes an advertisement out of the issue; the place it had stays free for another. */
export function cancelAdvertisement(document: Document, id: string): Diff {
  const edit = new Edit(document);
  edit.remove(id);
  return edit.diff();
}

/** The frame in which an advertisement stands. */
export const frameOfAdvertisement = (document: Document, id: string) =>
  all(document, 'frame').find(({ content }) => content.type === 'advertisement' && content.advertisement === id);

/** The stretches of a page that a size can take, the most usual first: at the foot, on the outside. */
export function stretchesFor(
  grid: PageGrid,
  side: 'left' | 'right',
  { size, lines = USUAL_LINES, columns: wide = 1 }: Pick<AdvertisementRecord, 'size' | 'lines' | 'columns'>,
): Stretch[] {
  const n = grid.columns.length;
  const half = Math.max(1, Math.floor(grid.lines / 2));
  const across = Math.max(1, Math.floor(n / 2));
  const inner: readonly [number, number] = side === 'right' ? [1, across] : [n - across + 1, n];
  const outer: readonly [number, number] = side === 'right' ? [n - across + 1, n] : [1, across];
  const foot: readonly [number, number] = [grid.lines - half + 1, grid.lines];
  const head: readonly [number, number] = [1, half];
  const whole: readonly [number, number] = [1, grid.lines];
  switch (size) {
    case 'full':
      return [{ columns: [1, n], lines: whole }];
    case 'halfFlat':
      return [foot, head].map((rows) => ({ columns: [1, n] as const, lines: rows }));
    case 'halfUpright':
      return [outer, inner].map((columns) => ({ columns, lines: whole }));
    case 'quarter':
      return [foot, head].flatMap((rows) => [outer, inner].map((columns) => ({ columns, lines: rows })));
    case 'column': {
      const deep = Math.min(lines, grid.lines);
      const span = Math.min(wide, n);
      const firsts = Array.from({ length: n - span + 1 }, (_, i) => (side === 'right' ? n - span - i + 1 : i + 1));
      const rows = [[grid.lines - deep + 1, grid.lines] as const, [1, deep] as const];
      return rows.flatMap((own) => firsts.map((first) => ({ columns: [first, first + span - 1] as const, lines: own })));
    }
  }
}

export interface PlaceAdvertisement {
  readonly advertisement: string;
  readonly page: string;
  /** Of the page: the free stretch nearest to it is taken. */
  readonly at?: Point | undefined;
}

/**
 * Gives an advertisement its place on a page: one that waits for an advertisement there, or a free stretch of its
 * size. One that stands elsewhere moves.
 * @throws ActionError when the page has no room for it
 */
export function placeAdvertisement(document: Document, { advertisement: id, page: on, at }: PlaceAdvertisement): Diff {
  const edit = new Edit(document);
  const advertisement = get(document, 'advertisement', id);
  const { page, grid } = pageWithGrid(document, on);
  const before = frameOfAdvertisement(document, id);
  if (before) edit.remove(before.id);
  const waiting = [...framesOn(document, on), ...inheritedFrames(document, page)].find(
    ({ content, box }) => content.type === 'advertisement' && !content.advertisement && (!at || contains(box, at)),
  );
  const content = { type: 'advertisement' as const, advertisement: id };
  if (waiting) {
    const own = waiting.on === on ? waiting : standIn(waiting, on);
    edit.put({ ...own, content });
    return edit.diff();
  }
  const taken = takenOn(edit.document, page);
  const free = stretchesFor(grid, page.side, advertisement)
    .map((stretch) => stretchBox(grid, stretch))
    .filter((box) => !taken.some((other) => overlaps(other, box, 0.5)));
  const distance = ({ x, y, w, h }: Box) => (at ? Math.hypot(x + w / 2 - at.x, y + h / 2 - at.y) : 0);
  const [best] = free.sort((a, b) => distance(a) - distance(b));
  if (!best) throw new ActionError(`Page ${page.folio} has no free room for ${SIZE_WORDS[advertisement.size].toLowerCase()}.`);
  putFrame(edit, on, best, content, { mode: 'frame', standOff: grid.gutter / 2, outline: 'shape' });
  return edit.diff();
}

/** What takes room on a page: its frames, but not ground that others lie on. */
const takenOn = (document: Document, page: PlacedPage): Box[] =>
  framesOn(document, page.page.id)
    .map(({ box }) => box)
    .filter((box) => !isGround(formatOf(document), box));
