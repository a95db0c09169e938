import { formatOf, inheritedFrames, placedPages } from '../page/pages';
import { pageGrid, type PageGrid } from '../page/grid';
import type { Fit } from '../compose/text/fit';
import { type Document, framesOn, threadOf } from '../records/document';
import type { FrameRecord } from '../records/index';
import { frameKind, layoutOf } from '../records/kinds/frames';
import type { Taker } from '../records/kinds/frames/kind';

/** What takes up a page's type area, each as a share of it, 0 to 1. */
export interface Balance {
  readonly text: number;
  readonly pictures: number;
  readonly advertisements: number;
}

/**
 * How much of every page is text, pictures and advertisements: each cell of the grid, a column wide and a line deep,
 * counts for what lies on top in its middle. Where it is known how far text fills its frames, the rest of them is empty.
 *
 * @param filled the share of a text frame that text fills, from its beginning, by frame id
 */
export function balanceOf(document: Document, filled?: ReadonlyMap<string, number>): Balance[] {
  const format = formatOf(document);
  return placedPages(document).map((page) => {
    const grid = pageGrid(format, page.master, page.side);
    const frames = [...inheritedFrames(document, page), ...framesOn(document, page.page.id)];
    return cells(document, grid, frames, filled);
  });
}

function cells(
  document: Document,
  grid: PageGrid,
  frames: readonly FrameRecord[],
  filled: ReadonlyMap<string, number> | undefined,
): Balance {
  const counts: Record<Taker, number> = { text: 0, pictures: 0, advertisements: 0 };
  const takers = frames.map((frame) => [frame, frameKind(frame.content).takes?.(frame.content, document)] as const);
  for (const { x, w } of grid.columns) {
    for (let line = 0; line < grid.lines; line++) {
      const px = x + w / 2;
      const py = grid.first + (line - 0.5) * grid.step;
      for (let i = takers.length - 1; i >= 0; i--) {
        const [frame, taker] = takers[i]!;
        const { box } = frame;
        if (!taker || px < box.x || px > box.x + box.w || py < box.y || py > box.y + box.h) continue;
        if (taker !== 'text' || isFilled(frame, px, py, filled)) counts[taker]++;
        break;
      }
    }
  }
  const all = Math.max(1, grid.columns.length * grid.lines);
  return { text: counts.text / all, pictures: counts.pictures / all, advertisements: counts.advertisements / all };
}

/** Whether text reaches a point of its frame: column by column, each from its top. */
function isFilled(
  { id, box, content }: FrameRecord,
  x: number,
  y: number,
  filled: ReadonlyMap<string, number> | undefined,
): boolean {
  const share = filled?.get(id);
  const columns = layoutOf(content)?.columns;
  if (share === undefined || columns === undefined) return true;
  const column = Math.min(columns - 1, Math.floor(((x - box.x) / box.w) * columns));
  return (column + (y - box.y) / box.h) / columns <= share;
}

/**
 * How far text fills the frames of its thread, by frame id, as its fit tells: one frame after another, each by its area.
 * Frames of texts whose fit is not known are left out.
 */
export function filledShares(
  document: Document,
  fits: ReadonlyMap<string, Pick<Fit, 'lines' | 'oversetLines' | 'room'>>,
): ReadonlyMap<string, number> {
  const out = new Map<string, number>();
  for (const [text, { lines, oversetLines, room }] of fits) {
    const thread = threadOf(document, text);
    const area = ({ box }: FrameRecord) => box.w * box.h;
    const shown = lines - oversetLines;
    let left = (thread.reduce((sum, frame) => sum + area(frame), 0) * shown) / Math.max(1, shown + room);
    for (const frame of thread) {
      out.set(frame.id, Math.max(0, Math.min(1, left / Math.max(1, area(frame)))));
      left -= area(frame);
    }
  }
  return out;
}

/** The same over all pages of an issue. */
export function wholeBalance(pages: readonly Balance[]): Balance {
  const mean = (taker: Taker) => pages.reduce((sum, page) => sum + page[taker], 0) / Math.max(1, pages.length);
  return { text: mean('text'), pictures: mean('pictures'), advertisements: mean('advertisements') };
}
