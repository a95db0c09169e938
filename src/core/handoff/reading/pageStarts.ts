import type { PageList, TextItem } from '../../compose/displayList/displayList';

/** Where a page begins in a text that runs over it. */
export interface PageStart {
  /** Counted from 1. */
  readonly number: number;
  readonly folio: string;
  /** Which paragraph of the text, counted from 0 with those in tables, and the position in its content. */
  readonly paragraph: number;
  readonly at: number;
}

/** Where the pages of an issue begin in its texts, by text, in the order of the text. @param folios of the pages, in their order */
export function pageStarts(lists: readonly PageList[], folios: readonly string[]): Map<string, PageStart[]> {
  const out = new Map<string, PageStart[]>();
  lists.forEach((list, i) => {
    const here = new Map<string, PageStart>();
    for (const item of list.items.slice(list.furniture)) {
      const first = item.type === 'text' ? firstIn(item) : undefined;
      if (item.type !== 'text' || !first) continue;
      const known = here.get(item.text);
      const start = { number: list.number, folio: folios[i] ?? '', ...first };
      if (!known || inOrder(start, known) < 0) here.set(item.text, start);
    }
    for (const [text, start] of here) out.set(text, [...(out.get(text) ?? []), start].sort(inOrder));
  });
  return out;
}

type Place = Pick<PageStart, 'paragraph' | 'at'>;

const inOrder = (a: Place, b: Place): number => a.paragraph - b.paragraph || a.at - b.at;

/** What of a text stands first in a frame. */
function firstIn({ columns }: TextItem): Place | undefined {
  for (const { lines, paragraphs } of columns)
    for (const [i, line] of lines.entries()) {
      const run = line.runs.find(({ added }) => !added);
      if (run && paragraphs[i]! >= 0) return { paragraph: paragraphs[i]!, at: run.from };
    }
  return undefined;
}
