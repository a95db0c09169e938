import { formatOf, placedPages } from '../page/pages';
import { paperGrid } from '../page/refit';
import { all, type Document, find, framesOn, get } from '../records/document';
import type { Diff } from '../records/diff';
import type { FrameRecord, PageRecord, TextRecord } from '../records/index';
import { said } from '../records/said';
import { ActionError, Edit, newId, orderBehind } from './edit';
import { removeFrames } from './frames';
import { refitFrame } from './refitFrame';
import { pourAnew } from './slots';

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
  return edit.diff();
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
  const list = names.length === 1 ? names[0]! : `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}`;
  return `${list} ${names.length === 1 ? 'keeps its' : 'keep their'} text: it moves on along its thread, or waits in the tray.`;
}

/** Moves a page past so many others, towards the end or the beginning. */
export function movePage(document: Document, id: string, by: number): Diff {
  const edit = new Edit(document);
  const others = all(document, 'page').filter((page) => page.id !== id);
  const at = all(document, 'page').findIndex((page) => page.id === id);
  const to = Math.max(0, Math.min(others.length, at + by));
  if (to !== at) edit.put({ ...get(document, 'page', id), order: orderBehind(others, to - 1) });
  return turned(edit, document);
}

/**
 * Puts a copy of a page behind it: its pictures, panels, rules and texts that belong to no thread. The text of stories
 * is in one place only and stays where it is.
 */
export function duplicatePage(document: Document, id: string): Diff {
  const edit = new Edit(document);
  const [copy] = putPages(edit, { after: id, count: 1, master: get(document, 'page', id).master });
  const groups = new Map<string, string>();
  const format = formatOf(document);
  const gridOf = (state: Document, page: string) => {
    const { master, side } = placedPages(state).find((placed) => placed.page.id === page)!;
    return paperGrid(format, master, side);
  };
  const [from, to] = [gridOf(document, id), gridOf(edit.document, copy!.id)];
  for (const frame of framesOn(document, id)) {
    const own: FrameRecord = { ...frame, id: newId(), on: copy!.id };
    const { group, ...alone } = own;
    const kept = group === undefined ? undefined : (groups.get(group) ?? copyOfGroup(edit, group, groups));
    const placed: FrameRecord = kept === undefined ? alone : { ...alone, group: kept };
    if (frame.content.type !== 'text') refitFrame(edit, placed, from, to);
    else {
      const text = find(document, 'text', frame.content.text);
      if (!text || text.role === 'body') continue;
      const words = edit.put<TextRecord>({ ...text, id: newId() });
      refitFrame(edit, { ...placed, content: { ...frame.content, text: words.id } }, from, to);
    }
  }
  return turned(edit, document);
}

function copyOfGroup(edit: Edit, group: string, copies: Map<string, string>): string | undefined {
  const record = find(edit.document, 'group', group);
  if (!record) return undefined;
  const { id } = edit.put({ ...record, id: newId() });
  copies.set(group, id);
  return id;
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
