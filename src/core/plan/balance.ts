import { formatOf, inheritedFrames, placedPages } from '../page/pages';
import { pageGrid, type PageGrid } from '../page/grid';
import { type Document, find, framesOn } from '../records/document';
import type { FrameRecord } from '../records/index';

/** What takes up a page's type area, each as a share of it, 0 to 1. */
export interface Balance {
  readonly text: number;
  readonly pictures: number;
  readonly advertisements: number;
}

type Taker = keyof Balance;

/**
 * How much of every page is text, pictures and advertisements: each cell of the grid, a column wide and a line deep,
 * counts for what lies on top in its middle.
 */
export function balanceOf(document: Document): Balance[] {
  const format = formatOf(document);
  return placedPages(document).map((page) => {
    const grid = pageGrid(format, page.master, page.side);
    const frames = [...inheritedFrames(document, page), ...framesOn(document, page.page.id)];
    return cells(document, grid, frames);
  });
}

function cells(document: Document, grid: PageGrid, frames: readonly FrameRecord[]): Balance {
  const counts: Record<Taker, number> = { text: 0, pictures: 0, advertisements: 0 };
  const takers = frames.map((frame) => [frame.box, takerOf(document, frame)] as const);
  for (const { x, w } of grid.columns) {
    for (let line = 0; line < grid.lines; line++) {
      const px = x + w / 2;
      const py = grid.first + (line - 0.5) * grid.step;
      for (let i = takers.length - 1; i >= 0; i--) {
        const [box, taker] = takers[i]!;
        if (!taker || px < box.x || px > box.x + box.w || py < box.y || py > box.y + box.h) continue;
        counts[taker]++;
        break;
      }
    }
  }
  const all = Math.max(1, grid.columns.length * grid.lines);
  return { text: counts.text / all, pictures: counts.pictures / all, advertisements: counts.advertisements / all };
}

/** Rules and panels are under what they serve; slots count for nothing until they are filled. */
function takerOf(document: Document, { content }: FrameRecord): Taker | undefined {
  if (content.type === 'advertisement') return content.advertisement === undefined ? undefined : 'advertisements';
  if (content.type === 'picture') return content.picture === undefined ? undefined : 'pictures';
  return content.type === 'text' && find(document, 'text', content.text) ? 'text' : undefined;
}

/** The same over all pages of an issue. */
export function wholeBalance(pages: readonly Balance[]): Balance {
  const mean = (taker: Taker) => pages.reduce((sum, page) => sum + page[taker], 0) / Math.max(1, pages.length);
  return { text: mean('text'), pictures: mean('pictures'), advertisements: mean('advertisements') };
}
