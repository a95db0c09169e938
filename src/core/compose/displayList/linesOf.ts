import type { Line, TextItem } from './displayList';

/** A line of a text, as it stands in its columns. */
export interface PlacedLine {
  /** Of the item's columns. */
  readonly column: number;
  readonly line: Line;
  readonly paragraph: number;
  /** The characters of its paragraph that it shows; undefined where it shows none. */
  readonly shows: { readonly from: number; readonly to: number } | undefined;
  /** The first or last of what stands in its column. */
  readonly opens: boolean;
  readonly closes: boolean;
}

/** The lines that an item shows of its text, in order; what the typesetter adds of its own is left out. */
export function linesOf({ columns }: Pick<TextItem, 'columns'>): PlacedLine[] {
  return columns.flatMap(({ lines, paragraphs }, column) =>
    lines.flatMap((line, i): PlacedLine[] => {
      const paragraph = paragraphs[i]!;
      if (paragraph < 0) return [];
      let from = Infinity;
      let to = -Infinity;
      for (const run of line.runs) {
        if (run.added && run.from === run.to) continue;
        if (run.from < from) from = run.from;
        if (run.to > to) to = run.to;
      }
      const shows = from === Infinity ? undefined : { from, to };
      return [{ column, line, paragraph, shows, opens: i === 0, closes: i === lines.length - 1 }];
    }),
  );
}
