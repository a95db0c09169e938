import { refitFrame } from './refitFrame';
import { copiesOf } from './copying';
import { Edit, newId } from './edit';
import { formatOf, placedPages } from '../page/pages';
import { paperGrid } from '../page/refit';
import { all, type Document, documentOf, find, framesOn, get } from '../records/document';
import type { DocumentRecord, PageRecord } from '../records/index';
import { complete } from '../records/references';
import { pictureIn, textIn } from '../records/kinds/frames';

/** The recurring pages of a house by where they come in an issue. */
export function recurringPages(house: Document): Readonly<Record<'front' | 'back' | 'other', readonly PageRecord[]>> {
  const pages = all(house, 'page');
  return {
    front: pages.filter(({ recurs }) => recurs === 'front'),
    back: pages.filter(({ recurs }) => recurs === 'back'),
    other: pages.filter(({ recurs }) => recurs === undefined),
  };
}

/**
 * A copy of a page with all that lies on it, to be put into an issue: frames, texts and groups get ids of their own, so
 * that a page can be put in several times. Pictures and styles keep theirs; they come along where the issue lacks them.
 */
export function copyOfPage(from: Document, page: PageRecord, order: string): DocumentRecord[] {
  const id = newId();
  const { recurs: _, ...plain } = page;
  const out = new Map<string, DocumentRecord>();
  const put = (record: DocumentRecord) => void out.set(record.id, record);
  put({ ...plain, id, order });
  const frames = framesOn(from, page.id);
  const ids = frames.map((frame) => frame.id);
  for (const record of copiesOf(from, ids, 'kept')) put(record.kind === 'frame' ? { ...record, on: id } : record);
  for (const frame of frames) {
    const picture = find(from, 'picture', pictureIn(from, frame)?.picture);
    if (picture) put(picture);
  }
  return [...out.values()];
}

/** Lets what lay on the grid of one side lie on that of the other, for pages that came from there. */
export function onTheirSides(document: Document, sides: ReadonlyMap<string, 'left' | 'right'>): Document {
  const edit = new Edit(document);
  const format = formatOf(document);
  for (const { page, side, master } of placedPages(document)) {
    const was = sides.get(page.id);
    if (was === undefined || was === side) continue;
    const [from, to] = [paperGrid(format, master, was), paperGrid(format, master, side)];
    for (const frame of framesOn(document, page.id)) refitFrame(edit, frame, from, to);
  }
  return edit.document;
}

/** What a house can put into an issue: its recurring pages, with all that lies on them and what that is made with. */
export function recurringRecords(house: readonly DocumentRecord[]): DocumentRecord[] {
  const document = documentOf(house);
  const needed = new Set<string>();
  for (const page of all(document, 'page')) {
    needed.add(page.id);
    for (const frame of framesOn(document, page.id))
      for (const id of [frame.id, textIn(frame), pictureIn(document, frame)?.picture, frame.group])
        if (id !== undefined) needed.add(id);
  }
  return complete(
    house.filter(({ id, kind }) => needed.has(id) || kind === 'master' || kind === 'format'),
    document,
  );
}

/** The side a recurring page of a house lies on there. */
export const sideOf = (house: Document, page: string): 'left' | 'right' =>
  placedPages(house).find((placed) => placed.page.id === page)?.side ?? get(house, 'format', 'format').firstSide;
