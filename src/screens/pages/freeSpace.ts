import { slotsOn, type SlotFrame } from '@/core/page/slots';
import { type Box, contains, type Point } from '@/core/geometry/box';
import { freeStretch, pageGrid, stretchBox, stretchWords, type PageGrid, type Stretch } from '@/core/page/grid';
import { isGround } from '@/core/page/ground';
import type { PlacedPage } from '@/core/page/pages';
import type { Document } from '@/core/records/document';
import type { FormatRecord } from '@/core/records/index';
import type { FrameInSight } from './Overlay';

/** What lies on a page and takes room there, also what reaches over the spine. */
export function takenOn(format: FormatRecord, page: PlacedPage, frames: readonly FrameInSight[]): Box[] {
  return frames.filter(({ box }) => !isGround(format, box)).map(({ page: of, box }) => ({ ...box, x: box.x + of.dx - page.dx }));
}

/** A stretch that would take something. */
export interface Target {
  readonly page: PlacedPage;
  readonly box: Box;
  readonly words: string;
  /** The picture frame that would be filled instead. */
  readonly frame?: string;
  /** The slot that would be filled instead. */
  readonly slot?: SlotFrame;
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

/** The first slots on some pages that a story can fill. */
export function freeSlot(document: Document, pages: readonly PlacedPage[]): Target | undefined {
  for (const page of pages) {
    const slots = slotsOn(document, page);
    const slot = slots.find(({ content }) => content.takes === 'body') ?? slots.find(({ content }) => content.takes === 'flow');
    if (slot) return slotTarget(page, slot);
  }
  return undefined;
}

export function targetAt(format: FormatRecord, page: PlacedPage, at: Point, frames: readonly FrameInSight[]): Target | undefined {
  const grid = pageGrid(format, page.master, page.side);
  return asTarget(page, grid, freeStretch(grid, at, takenOn(format, page, frames)));
}

/** The largest free stretch of the pages, looked for from every column at every few lines. */
export function largestFree(
  format: FormatRecord,
  pages: readonly PlacedPage[],
  frames: readonly FrameInSight[],
): Target | undefined {
  let best: Target | undefined;
  for (const page of pages) {
    const grid = pageGrid(format, page.master, page.side);
    const taken = takenOn(format, page, frames);
    for (const column of grid.columns) {
      for (let line = 1; line <= grid.lines; line += 3) {
        const found = asTarget(
          page,
          grid,
          freeStretch(grid, { x: column.x + column.w / 2, y: grid.first + (line - 1.5) * grid.step }, taken),
        );
        if (found && (!best || found.box.w * found.box.h > best.box.w * best.box.h)) best = found;
      }
    }
  }
  return best;
}

function asTarget(page: PlacedPage, grid: PageGrid, stretch: Stretch | undefined): Target | undefined {
  return stretch && { page, box: stretchBox(grid, stretch), words: stretchWords(stretch) };
}
