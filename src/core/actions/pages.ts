import { all, type Document, get } from '../records/document';
import type { Diff } from '../records/diff';
import type { PageRecord } from '../records/index';
import { ActionError, Edit, newId, orderBehind } from './edit';

/** The most pages an issue may have. */
export const MOST_PAGES = 1000;

export interface AddPages {
  /** Behind this page; before the first when undefined. */
  readonly after: string | undefined;
  readonly count: number;
  /** As the page before when undefined. */
  readonly master?: string | undefined;
}

/** @throws ActionError */
export function addPages(document: Document, intent: AddPages): Diff {
  const edit = new Edit(document);
  putPages(edit, intent);
  return edit.diff();
}

/** Adds pages to an edit and gives them. @throws ActionError when the issue would become too long */
export function putPages(edit: Edit, { after, count, master }: AddPages): PageRecord[] {
  const pages = all(edit.document, 'page');
  if (count < 1 || pages.length + count > MOST_PAGES) throw new ActionError(`An issue may have up to ${MOST_PAGES} pages.`);
  const index = after === undefined ? -1 : pages.findIndex((page) => page.id === after);
  const keys = placesBehind(pages, index, count);
  const like = master ?? pages[Math.max(0, index)]?.master ?? all(edit.document, 'master')[0]?.id;
  if (!like) throw new ActionError('The issue has no master page for a new page to use.');
  return keys.map((order) =>
    edit.put<PageRecord>({ id: newId(), kind: 'page', order, master: get(edit.document, 'master', like).id }),
  );
}

function placesBehind(pages: readonly PageRecord[], index: number, count: number): string[] {
  const list: { order: string }[] = [...pages];
  return Array.from({ length: count }, (_, i) => {
    const order = orderBehind(list, index + i);
    list.splice(index + i + 1, 0, { order });
    return order;
  });
}
