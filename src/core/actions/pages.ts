import { listed } from '../records/count';
import { formatOf, placedPages } from '../page/pages';
import { paperGrid } from '../page/refit';
import { all, type Document, find, framesOn, get } from '../records/document';
import type { Diff } from '../records/diff';
import type { PageRecord } from '../records/index';
import { copyOfPage, sideOf } from './recurring';
import { complete } from '../records/references';
import { said } from '../records/said';
import { ActionError, Edit, newId, orderBehind } from './edit';
import { removeFrames } from './frames';
import { refitFrame } from './refitFrame';
import { pourAnew } from './slots';
import { copiesOf } from './copying';

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
  return turned(edit, document);
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

/** The diff of an edit that put pages in another order: what lay on the grid of a left page lies on that of a right one. */
function turned(edit: Edit, before: Document): Diff {
  const format = formatOf(before);
  const sides = new Map(placedPages(before).map(({ page, side }) => [page.id, side]));
  for (const { page, side, master } of placedPages(edit.document)) {
    const old = sides.get(page.id);
    if (old === undefined || old === side) continue;
    const [from, to] = [paperGrid(format, master, old), paperGrid(format, master, side)];
    for (const frame of framesOn(edit.document, page.id)) refitFrame(edit, frame, from, to);
  }
  keptOnTheirPages(edit, before);
  return edit.diff();
}

/**
 * What reached over the spine onto the page beside is drawn back onto its own where another lies beside it now: it would
 * be cut, and print over what is there.
 */
function keptOnTheirPages(edit: Edit, before: Document): void {
  const beside = (document: Document) => {
    const pages = placedPages(document);
    return new Map(
      pages.map((page) => [page.page.id, pages.find((other) => other !== page && other.spread === page.spread)?.page.id]),
    );
  };
  const [was, is] = [beside(before), beside(edit.document)];
  const { width, bleed } = formatOf(edit.document);
  for (const { page, side } of placedPages(edit.document)) {
    if (!was.has(page.id) || was.get(page.id) === is.get(page.id)) continue;
    const [left, right] = side === 'left' ? [-bleed, width] : [0, width + bleed];
    for (const frame of framesOn(edit.document, page.id)) {
      const { x, w } = frame.box;
      // Only what lies on two pages: a bleed at the spine is none.
      if (x > -bleed - 1 && x + w < width + bleed + 1) continue;
      const from = Math.max(x, left);
      const to = Math.min(x + w, right);
      if (to - from > 4) edit.put({ ...frame, box: { ...frame.box, x: from, w: to - from } });
    }
  }
}

function placesBehind(pages: readonly PageRecord[], index: number, count: number): string[] {
  const list: { order: string }[] = [...pages];
  return Array.from({ length: count }, (_, i) => {
    const order = orderBehind(list, index + i);
    list.splice(index + i + 1, 0, { order });
    return order;
  });
}

/**
 * Takes pages out of the issue, with the frames on them. No text of a story is lost: it stays in its story and moves on
 * along its thread.
 * @throws ActionError when no page would be left
 */
export function removePages(document: Document, ids: readonly string[]): Diff {
  const pages = all(document, 'page');
  if (pages.every(({ id }) => ids.includes(id))) throw new ActionError('The last page stays: an issue has at least one.');
  const edit = new Edit(document);
  for (const id of ids) {
    const frames = framesOn(edit.document, get(document, 'page', id).id);
    const lying = frames.map((frame) => frame.id);
    edit.take(removeFrames(edit.document, lying));
    edit.remove(id);
  }
  // A section that began on one of them begins on the next that stays, unless another begins there.
  for (const section of all(document, 'section')) {
    if (!ids.includes(section.from)) continue;
    const at = pages.findIndex(({ id }) => id === section.from);
    const next = pages.slice(at).find(({ id }) => !ids.includes(id));
    if (next && !all(document, 'section').some(({ from }) => from === next.id)) edit.put({ ...section, from: next.id });
    else edit.remove(section.id);
  }
  return turned(edit, document);
}

/** What taking pages out does to the stories on them, in a sentence; undefined where no story stands on them. */
export function removalWords(document: Document, ids: readonly string[]): string | undefined {
  const stories = new Set<string>();
  for (const id of ids) {
    for (const { content } of framesOn(document, id)) {
      const text = content.type === 'text' ? find(document, 'text', content.text) : undefined;
      const story = text && text.role === 'body' ? find(document, 'story', text.story) : undefined;
      if (story) stories.add(story.name);
    }
  }
  if (stories.size === 0) return undefined;
  const names = [...stories].map((name) => `“${name}”`);
  return `${listed(names)} ${names.length === 1 ? 'keeps its' : 'keep their'} text: it moves on along its thread, or waits in the tray.`;
}

/** Moves a page past so many others, towards the end or the beginning. */
export function movePage(document: Document, id: string, by: number): Diff {
  const others = all(document, 'page').filter((page) => page.id !== id);
  const at = all(document, 'page').findIndex((page) => page.id === id);
  const to = Math.max(0, Math.min(others.length, at + by));
  return to === at ? new Edit(document).diff() : movePages(document, [id], others[to]?.id);
}

/** Moves pages, which stay in their order, in front of another; behind all of them when undefined. */
export function movePages(document: Document, ids: readonly string[], before: string | undefined): Diff {
  const edit = new Edit(document);
  const chosen = new Set(ids);
  const pages = all(document, 'page');
  const moving = pages.filter(({ id }) => chosen.has(id));
  // In front of a page that moves itself is in front of the next that does not.
  let at = before === undefined ? pages.length : pages.findIndex(({ id }) => id === before);
  while (at < pages.length && chosen.has(pages[at]!.id)) at++;
  const others = pages.filter(({ id }) => !chosen.has(id));
  const index = pages.slice(0, at).filter(({ id }) => !chosen.has(id)).length - 1;
  placesBehind(others, index, moving.length).forEach((order, i) => edit.put({ ...moving[i]!, order }));
  const now = all(edit.document, 'page');
  if (now.every(({ id }, i) => id === pages[i]!.id)) return new Edit(document).diff();
  return turned(edit, document);
}

/** Puts a copy of each page behind the last of them, in their order. */
export function duplicatePages(document: Document, ids: readonly string[]): Diff {
  const edit = new Edit(document);
  const chosen = all(document, 'page').filter(({ id }) => ids.includes(id));
  let behind = chosen.at(-1)!.id;
  for (const { id } of chosen) {
    const before = new Set(all(edit.document, 'page').map((page) => page.id));
    edit.take(duplicatePage(edit.document, id));
    const copy = all(edit.document, 'page').find((page) => !before.has(page.id))!;
    const pages = all(edit.document, 'page');
    const next = pages[pages.findIndex((page) => page.id === behind) + 1];
    if (next?.id !== copy.id) edit.take(movePages(edit.document, [copy.id], next?.id));
    behind = copy.id;
  }
  return edit.diff();
}

/** Puts recurring pages of a house into an issue, each with all that lies on it. */
export function putRecurring(document: Document, house: Document, page: string, after: string | undefined): Diff {
  const edit = new Edit(document);
  const pages = all(document, 'page');
  const index = after === undefined ? -1 : pages.findIndex(({ id }) => id === after);
  const [order] = placesBehind(pages, index, 1);
  const copied = copyOfPage(house, get(house, 'page', page), order!);
  const own = copied[0] as PageRecord;
  const master = find(document, 'master', own.master) ?? all(document, 'master')[0];
  if (!master) throw new ActionError('The issue has no master page for a new page to use.');
  const placed = copied.map((record) => (record === own ? { ...own, master: master.id } : record));
  for (const record of complete(placed, house, (id) => edit.has(id))) if (!edit.has(record.id)) edit.put(record);
  const format = formatOf(document);
  const [was, is] = [sideOf(house, page), placedPages(edit.document).find((placed) => placed.page.id === own.id)!.side];
  const [from, to] = [paperGrid(formatOf(house), get(house, 'master', own.master), was), paperGrid(format, master, is)];
  for (const frame of framesOn(edit.document, own.id)) refitFrame(edit, frame, from, to);
  return turned(edit, document);
}

/**
 * Puts a copy of a page behind it: its pictures, panels, rules and texts that belong to no thread. The text of stories
 * is in one place only and stays where it is.
 */
export function duplicatePage(document: Document, id: string): Diff {
  const edit = new Edit(document);
  const [copy] = putPages(edit, { after: id, count: 1, master: get(document, 'page', id).master });
  const format = formatOf(document);
  const gridOf = (state: Document, page: string) => {
    const { master, side } = placedPages(state).find((placed) => placed.page.id === page)!;
    return paperGrid(format, master, side);
  };
  const [from, to] = [gridOf(document, id), gridOf(edit.document, copy!.id)];
  const frames = framesOn(document, id).map((frame) => frame.id);
  for (const record of copiesOf(document, frames, 'left')) {
    if (record.kind === 'frame') refitFrame(edit, { ...record, on: copy!.id }, from, to);
    else edit.put(record);
  }
  return turned(edit, document);
}

/** Says what a recurring page of a house is, and whether every issue begins or ends with it. */
export function setRecurring(document: Document, id: string, changes: Partial<Pick<PageRecord, 'name' | 'recurs'>>): Diff {
  const edit = new Edit(document);
  edit.put(said({ ...get(document, 'page', id), ...changes }));
  return edit.diff();
}

/**
 * Gives pages another master. Text in the flow area of the old one is poured into that of the new; what else lies on
 * the columns and lines of the old one lies on those of the new.
 */
export function setMaster(document: Document, ids: readonly string[], master: string): Diff {
  const edit = new Edit(document);
  const format = formatOf(document);
  const next = get(document, 'master', master);
  const chosen = new Set(ids);
  for (const placed of placedPages(document)) {
    const { page, side, master: before } = placed;
    if (!chosen.has(page.id) || page.master === next.id) continue;
    edit.put({ ...page, master: next.id });
    const poured = pourAnew(edit, document, placed, { ...placed, master: next });
    const [from, to] = [paperGrid(format, before, side), paperGrid(format, next, side)];
    for (const frame of framesOn(document, page.id)) {
      if (poured.has(frame.id) || !edit.has(frame.id)) continue;
      // What was parted from the old master is the page's own from now on.
      const { of: _, ...own } = frame;
      refitFrame(edit, own, from, to);
    }
  }
  return edit.diff();
}
