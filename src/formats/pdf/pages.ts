import type { PageList } from '@/core/compose/displayList/displayList';
import type { PdfPage } from './painter';

/** Pages with the one across the spine, where there is one: a left page's is the right page behind it. */
export function pdfPages(lists: readonly PageList[]): PdfPage[] {
  return lists.map((list, i) => {
    if (list.side === 'left') {
      const next = lists[i + 1];
      return { list, neighbour: next?.side === 'right' ? { list: next, dx: list.width } : undefined };
    }
    const before = lists[i - 1];
    return { list, neighbour: before?.side === 'left' ? { list: before, dx: -before.width } : undefined };
  });
}
