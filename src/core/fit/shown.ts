import { linesOf, type PlacedLine } from '../compose/displayList/linesOf';
import type { Composed } from '../compose/composer';

/** A line of a text where it is shown. */
export interface ShownLine extends PlacedLine {
  readonly frame: string;
  /** It begins or ends its paragraph. */
  readonly isFirst: boolean;
  readonly isLast: boolean;
}

/** The lines of a text on its pages, in order. */
export function shownLines({ pages }: Pick<Composed, 'pages'>, text: string): ShownLine[] {
  return pages.flatMap(({ items }) =>
    items.flatMap((item) => {
      if (item.type !== 'text' || item.text !== text) return [];
      return linesOf(item).map((own) => ({
        ...own,
        frame: item.frame,
        isFirst: own.shows?.from === 0,
        isLast: own.line.lastOfParagraph,
      }));
    }),
  );
}

/** Share of its column below which the last line of a paragraph is a stub. */
export const STUB = 0.16;

/** What a careful eye would have otherwise: widows, orphans, and last lines that are a stub of a word. */
export function untidy(lines: readonly ShownLine[]): ShownLine[] {
  return lines.filter(
    ({ line, isFirst, isLast, opens, closes }) =>
      (opens && isLast && !isFirst) || (closes && isFirst && !isLast) || (isLast && !isFirst && line.natural < STUB * line.width),
  );
}
