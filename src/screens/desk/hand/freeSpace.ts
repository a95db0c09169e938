import { slotsOn, type SlotFrame } from '@/core/page/slots';
import { type Box, contains, type Point } from '@/core/geometry/box';
import { columnAt, freeStretch, lineAt, pageGrid, stretchBox, stretchWords, type PageGrid, type Stretch } from '@/core/page/grid';
import { isGround } from '@/core/page/ground';
import type { PlacedPage } from '@/core/page/pages';
import type { Document } from '@/core/records/document';
import type { FormatRecord } from '@/core/records/index';
import { asRead } from '../frames/asRead';
import type { LyingFrame } from '../frames/frameInSight';

/**
 * What lies on a page and takes room there, also what reaches over the spine. A picture that fills the page has room on it, though
 * for text only where it lets text run over it.
 */
export function takenOn(format: FormatRecord, page: PlacedPage, frames: readonly LyingFrame[], forText = false): Box[] {
  const hasRoom = ({ box, frame }: LyingFrame) => isGround(format, box) && !(forText && frame.wrap.mode !== 'none');
  return frames.filter((each) => !hasRoom(each)).map(({ page: of, box }) => ({ ...box, x: box.x + of.dx - page.dx }));
}

/** A stretch that would take something. */
export interface Target {
  readonly page: PlacedPage;
  readonly box: Box;
  readonly words: string;
  /** The picture frame, or the place of an advertisement, that would be filled instead. */
  readonly frame?: string;
  /** The free stretch around it, where that is larger. */
  readonly room?: Box;
  /** The panel that it would be laid on. */
  readonly on?: string;
  /** The slot that would be filled instead. */
  readonly slot?: SlotFrame;
}

/** The middle third of a page, for what there is no free room for. */
export function middleStretch(format: FormatRecord, page: PlacedPage): Target {
  const grid = pageGrid(format, page.master, page.side);
  const across = Math.max(1, Math.round(grid.columns.length / 3));
  const down = Math.max(1, Math.round(grid.lines / 3));
  const column = 1 + Math.floor((grid.columns.length - across) / 2);
  const line = 1 + Math.floor((grid.lines - down) / 2);
  const stretch: Stretch = { columns: [column, column + across - 1], lines: [line, line + down - 1] };
  return { page, box: stretchBox(grid, stretch), words: stretchWords(stretch) };
}

/** The slot under a point that a story would fill; the topmost of them. */
export function slotAt(document: Document, page: PlacedPage, at: Point): Target | undefined {
  const slot = slotsOn(document, page)
    .reverse()
    .find(({ box }) => contains(box, at));
  return slot && slotTarget(page, slot);
}

const slotTarget = (page: PlacedPage, slot: SlotFrame): Target => ({
  page,
  box: slot.box,
  slot,
  words: slot.content.takes === 'flow' ? 'into the flow area' : `into the slots of “${slot.content.name}”`,
});

/** The first empty picture frame of a spread, as it is read. */
export function emptyPictureFrame(document: Document, frames: readonly LyingFrame[]): Target | undefined {
  const first = asRead(document, frames).find(
    ({ frame: { content } }) => content.type === 'picture' && content.picture === undefined,
  );
  return first && { page: first.page, box: first.box, frame: first.frame.id, words: 'into this frame' };
}

/** The first slots on some pages that a story can fill. */
export function freeSlot(document: Document, pages: readonly PlacedPage[]): Target | undefined {
  for (const page of pages) {
    const slots = slotsOn(document, page);
    const slot = slots.find(({ content }) => content.takes === 'body') ?? slots.find(({ content }) => content.takes === 'flow');
    if (slot) return slotTarget(page, slot);
  }
  return undefined;
}

export function targetAt(format: FormatRecord, page: PlacedPage, at: Point, frames: readonly LyingFrame[]): Target | undefined {
  const grid = pageGrid(format, page.master, page.side);
  return asTarget(page, grid, freeStretch(grid, at, takenOn(format, page, frames)));
}

/** Points from the border of two columns of text at which both are meant. */
const BORDER = 9;

/**
 * Where a picture would come to lie on empty grid, in its own shape: over the column of text that the point lies in; over
 * both where it is between two; over all of them from the margin.
 */
export function pictureTarget(
  format: FormatRecord,
  page: PlacedPage,
  at: Point,
  frames: readonly LyingFrame[],
  { width, height }: { readonly width: number; readonly height: number },
): Target | undefined {
  const grid = pageGrid(format, page.master, page.side);
  const { area } = grid;
  const span = page.master.textSpan;
  const column = columnAt(grid, at.x);
  let first = column - ((column - 1) % span);
  let last = Math.min(grid.columns.length, first + span - 1);
  if (at.x < area.x || at.x > area.x + area.w) [first, last] = [1, grid.columns.length];
  else if (first > 1 && at.x - grid.columns[first - 1]!.x < BORDER - grid.gutter / 2) first -= span;
  else if (last < grid.columns.length && grid.columns[last]!.x - at.x < BORDER + grid.gutter / 2)
    last = Math.min(grid.columns.length, last + span);
  const within = stretchBox(grid, { columns: [first, last], lines: [1, grid.lines] });
  const outside = [
    { x: within.x - 1e5, y: -1e5, w: 1e5 - 1, h: 2e5 },
    { x: within.x + within.w + 1, y: -1e5, w: 1e5, h: 2e5 },
  ];
  const point = { x: Math.min(within.x + within.w - 1, Math.max(within.x + 1, at.x)), y: at.y };
  const free = freeStretch(grid, point, [...takenOn(format, page, frames), ...outside]);
  if (!free) return undefined;
  const { w } = stretchBox(grid, free);
  const [top, foot] = free.lines;
  const deep = Math.min(foot - top + 1, Math.max(1, Math.round((w * height) / width / grid.step)));
  const from = Math.max(top, Math.min(foot - deep + 1, lineAt(grid, at.y) - Math.floor(deep / 2)));
  const target = asTarget(page, grid, { columns: free.columns, lines: [from, from + deep - 1] });
  return target && { ...target, room: stretchBox(grid, { columns: free.columns, lines: [from, foot] }) };
}

/** The largest free stretch of the pages, looked for from every column at every few lines. */
export function largestFree(
  format: FormatRecord,
  pages: readonly PlacedPage[],
  frames: readonly LyingFrame[],
  forText = false,
): Target | undefined {
  let best: Target | undefined;
  for (const page of pages) {
    const found = largestIn(page, pageGrid(format, page.master, page.side), takenOn(format, page, frames, forText));
    if (found && (!best || found.box.w * found.box.h > best.box.w * best.box.h)) best = found;
  }
  return best;
}

/** Lines that a text goes on in at least; fewer are not worth the jump. */
const LEAST_LINES = 4;

/**
 * Where a text goes on behind its last frame, in reading order: beside or below it on its own page, then on the pages
 * behind, in its section. Undefined where there is no room.
 *
 * @param framesOf what lies on a page, with the heights that growing frames have
 */
export function continuation(
  format: FormatRecord,
  last: LyingFrame,
  pages: readonly PlacedPage[],
  framesOf: (pages: readonly PlacedPage[]) => readonly LyingFrame[],
): Target | undefined {
  const { page: from, box } = last;
  const grid = pageGrid(format, from.master, from.side);
  const taken = takenOn(format, from, framesOf([from]), true);
  const { area } = grid;
  const foot = area.y + area.h;
  // What comes before it in reading order is closed: to its left, and above it in its own columns.
  const beside = [...taken, { x: area.x - 1000, y: area.y, w: 1000 + box.x + box.w - area.x, h: area.h }];
  const below = [...taken, { x: area.x, y: area.y, w: area.w, h: Math.max(0, box.y + box.h - area.y) }];
  const deep = (target: Target | undefined) => (target && target.box.h >= LEAST_LINES * grid.step - 0.01 ? target : undefined);
  const under = box.y + box.h < foot ? deep(largestIn(from, grid, below)) : undefined;
  const own = deep(largestIn(from, grid, beside)) ?? under;
  if (own) return own;
  for (const page of pages) {
    if (page.number <= from.number || page.section?.id !== from.section?.id) continue;
    const found = largestFree(format, [page], framesOf([page]), true);
    const { step } = pageGrid(format, page.master, page.side);
    if (found && found.box.h >= LEAST_LINES * step - 0.01) return found;
  }
  return undefined;
}

function largestIn(page: PlacedPage, grid: PageGrid, taken: readonly Box[]): Target | undefined {
  let best: Target | undefined;
  for (const column of grid.columns) {
    for (let line = 1; line <= grid.lines; line += 3) {
      const at = { x: column.x + column.w / 2, y: grid.first + (line - 1.5) * grid.step };
      const found = asTarget(page, grid, freeStretch(grid, at, taken));
      if (found && (!best || found.box.w * found.box.h > best.box.w * best.box.h)) best = found;
    }
  }
  return best;
}

function asTarget(page: PlacedPage, grid: PageGrid, stretch: Stretch | undefined): Target | undefined {
  return stretch && { page, box: stretchBox(grid, stretch), words: stretchWords(stretch) };
}
