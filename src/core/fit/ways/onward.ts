import { continueThread } from '../../actions/stories';
import type { Box } from '../../geometry/box';
import { freeStretch, pageGrid, stretchBox } from '../../page/grid';
import { isGround } from '../../page/ground';
import { formatOf, type PlacedPage, placedPages } from '../../page/pages';
import { type Document, framesOn } from '../../records/document';
import type { Candidate, FitWay } from '../way';

/** Pages behind the last of the text that are looked at. */
const FURTHER = 3;

/** Lines that a stretch must have for a story to continue there. */
const LEAST_LINES = 3;

/** Another column: the text continues where there is room, on its own page or one of the next. */
export const ONWARD: FitWay = {
  name: 'onward',
  need: ['fewer'],
  *candidates(view): Generator<Candidate | undefined> {
    const { document, pages, text, typesetter } = view;
    const last = pages.at(-1);
    if (!last) return;
    for (const page of placedPages(document).slice(last.number - 1, last.number + FURTHER)) {
      const box = roomOn(document, page);
      if (!box) continue;
      yield {
        id: `onward ${page.page.id}`,
        name: page.number === last.number ? 'Another column on this page' : `Continue on page ${page.folio}`,
        price: `${Math.floor(box.h / formatOf(document).baseline.step)} lines deep`,
        done: (of) => continueThread(of, { text: text.id, page: page.page.id, box, allPages: false }, typesetter),
      };
    }
  },
};

/** The largest free stretch of a page. */
function roomOn(document: Document, page: PlacedPage): Box | undefined {
  const format = formatOf(document);
  const grid = pageGrid(format, page.master, page.side);
  const taken = framesOn(document, page.page.id).flatMap(({ box, hidden }) => (hidden || isGround(format, box) ? [] : [box]));
  let best: Box | undefined;
  for (const { x, w } of grid.columns)
    for (let line = 2; line <= grid.lines; line += 6) {
      const stretch = freeStretch(grid, { x: x + w / 2, y: grid.first + (line - 1.5) * grid.step }, taken);
      const box = stretch && stretchBox(grid, stretch);
      if (box && box.h >= LEAST_LINES * grid.step && box.w * box.h > (best ? best.w * best.h : 0)) best = box;
    }
  return best;
}
