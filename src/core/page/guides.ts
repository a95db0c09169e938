import type { PageGuide } from '../records/page';
import type { PlacedPage } from './pages';

/** A guide that somebody drew, where it lies on its spread. */
export interface DrawnGuide {
  readonly page: PlacedPage;
  /** Which of its page's guides it is. */
  readonly index: number;
  readonly guide: PageGuide;
  /** In coordinates of the spread: x of an upright one, y of a level one. */
  readonly at: number;
  /** How far it reaches, across what it is measured along. */
  readonly from: number;
  readonly to: number;
}

/** The guides drawn on the pages of a spread. */
export function drawnGuides(pages: readonly PlacedPage[], width: number, height: number): DrawnGuide[] {
  const first = Math.min(...pages.map(({ dx }) => dx));
  const last = Math.max(...pages.map(({ dx }) => dx)) + width;
  return pages.flatMap((page) =>
    (page.page.guides ?? []).map((guide, index): DrawnGuide => {
      const shared = { page, index, guide };
      if (guide.direction === 'upright') return { ...shared, at: page.dx + guide.at, from: 0, to: height };
      const [from, to] = guide.spread ? [first, last] : [page.dx, page.dx + width];
      return { ...shared, at: guide.at, from, to };
    }),
  );
}
