import type { Line, TextItem } from '../compose/displayList/displayList';
import type { Composed } from '../compose/composer';

/** A line of a text where it is shown. */
export interface ShownLine {
  readonly page: string;
  readonly frame: string;
  readonly column: number;
  readonly line: Line;
  readonly paragraph: number;
  /** It begins or ends its paragraph, stands first or last in its column. */
  readonly isFirst: boolean;
  readonly isLast: boolean;
  readonly opens: boolean;
  readonly closes: boolean;
  readonly height: number;
}

/** The lines of a text on its pages, in order. */
export function shownLines({ pages }: Pick<Composed, 'pages'>, text: string): ShownLine[] {
  const out: ShownLine[] = [];
  for (const { page, items } of pages)
    for (const item of items) if (item.type === 'text' && item.text === text) linesOf(item, page, out);
  return out;
}

function linesOf({ frame, columns }: TextItem, page: string, out: ShownLine[]): void {
  columns.forEach(({ lines, paragraphs, box }, column) =>
    lines.forEach((line, i) => {
      const paragraph = paragraphs[i]!;
      if (paragraph < 0) return;
      const from = Math.min(...line.runs.filter((run) => !run.added || run.from < run.to).map((run) => run.from));
      out.push({
        page,
        frame,
        column,
        line,
        paragraph,
        isFirst: from === 0,
        isLast: line.lastOfParagraph,
        opens: i === 0,
        closes: i === lines.length - 1,
        height: box.h,
      });
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
