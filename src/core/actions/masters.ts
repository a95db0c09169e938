import { counted } from '../records/count';
import { generateKeyBetween } from 'fractional-indexing';
import { inheritedFrames, mastersUnder, placedPage, type PlacedPage } from '../page/pages';
import type { Diff } from '../records/diff';
import { all, type Document, find, framesOn, get } from '../records/document';
import type { FrameRecord, MasterRecord, TextRecord } from '../records/index';
import { said } from '../records/said';
import { ActionError, Edit, freeName, newId, orderAfter, ownName } from './edit';
import { standIn } from './frames';
import { copiedContent, frameKind, textIn } from '../records/kinds/frames';

/** Adds a master with the grid of another, and with its frames beneath its own where it is based on it. */
export function addMaster(document: Document, { name, like, based }: { name: string; like: string; based: boolean }): Diff {
  const edit = new Edit(document);
  const { basedOn: _, ...from } = get(document, 'master', like);
  const id = newId();
  edit.put<MasterRecord>({
    ...from,
    id,
    name: freeName(all(document, 'master'), name.trim() || 'Master'),
    ...(based ? { basedOn: like } : {}),
  });
  return edit.diff();
}

export function renameMaster(document: Document, id: string, name: string): Diff {
  const edit = new Edit(document);
  edit.put({ ...get(document, 'master', id), name: ownName(all(document, 'master'), 'master', name, id) });
  return edit.diff();
}

/** Lets a master show another's frames beneath its own. @throws ActionError when they would be based on one another in a circle */
export function setBasedOn(document: Document, id: string, base: string | undefined): Diff {
  const edit = new Edit(document);
  const master = get(document, 'master', id);
  if (base !== undefined && mastersUnder(document, base).some((under) => under.id === id)) {
    const names = mastersUnder(document, base).map(({ name }) => name);
    const way = names.slice(names.indexOf(master.name)).join(', which is the base of ');
    throw new ActionError(`${master.name} cannot be based on ${names.at(-1)!}: that would be a circle. ${way}.`);
  }
  edit.put(said({ ...master, basedOn: base }));
  return edit.diff();
}

/** @throws ActionError when pages or other masters use it, or when it is the last */
export function removeMaster(document: Document, id: string): Diff {
  const edit = new Edit(document);
  const master = get(document, 'master', id);
  const pages = all(document, 'page').filter((page) => page.master === id).length;
  if (pages > 0) throw new ActionError(`${master.name} is the master of ${counted(pages, 'page')}. Give them another first.`);
  const above = all(document, 'master').find((other) => other.basedOn === id);
  if (above) throw new ActionError(`${above.name} is based on ${master.name}. Base it on something else first.`);
  if (all(document, 'master').length === 1) throw new ActionError('The last master stays: every page has one.');
  for (const frame of framesOn(document, id)) removeText(edit, frame);
  edit.remove(id);
  return edit.diff();
}

/**
 * Parts frames of a page's master on that page: copies of them stand in their place, to be changed there. What they
 * leave behind on the master is not touched.
 *
 * @param ids of the master's frames; all that the page shows of it when undefined
 */
export function partFrames(document: Document, page: string, ids?: readonly string[]): Diff {
  const edit = new Edit(document);
  const placed = placedPage(document, page);
  if (!placed) throw new ActionError('That page is no longer in the issue.');
  const frames = partable(document, placed).filter(({ id }) => ids === undefined || ids.includes(id));
  if (frames.length === 0) throw new ActionError('This page shows nothing of its master that could be freed.');
  const over = framesOn(document, page);
  frames.forEach((frame) => {
    const { group: _, ...alone } = frame;
    const own = standIn(alone, page);
    const at = over.length === 0 ? orderAfter(framesOn(edit.document, page)) : orderUnder(edit.document, page, over[0]!.id);
    edit.put({ ...withOwnText(edit, own), order: at });
  });
  return edit.diff();
}

/** What a page shows of its master that can be parted from it: slots wait to be filled instead. */
export const partable = (document: Document, page: PlacedPage): FrameRecord[] =>
  inheritedFrames(document, page).filter(({ content }) => !frameKind(content).isFilled);

/** A place above what was parted so far, and below what lay on the page before. */
function orderUnder(document: Document, page: string, first: string): string {
  const list = framesOn(document, page);
  const at = list.findIndex(({ id }) => id === first);
  return generateKeyBetween(list[at - 1]?.order ?? null, list[at]!.order);
}

/** A copy of a frame with a text of its own; one that shows a story keeps it. */
export function withOwnText(edit: Edit, frame: FrameRecord): FrameRecord {
  const text = find(edit.document, 'text', textIn(frame));
  if (!text) return frame;
  const own = edit.put<TextRecord>({ ...text, id: newId() });
  return { ...frame, content: copiedContent(frame.content, () => own.id) };
}

/** Whether a frame was parted from its page's master, and can join it again. */
export const isParted = (document: Document, frame: FrameRecord): boolean => {
  const from = find(document, 'frame', frame.of);
  return from !== undefined && !frameKind(from.content).isFilled;
};

/** Lets the master's frames show again in the place of those that were parted from them. */
export function rejoinFrames(document: Document, ids: readonly string[]): Diff {
  const edit = new Edit(document);
  const frames = ids.map((id) => get(document, 'frame', id)).filter((frame) => isParted(document, frame));
  if (frames.length === 0) throw new ActionError('None of this has been freed from a master.');
  for (const frame of frames) {
    edit.remove(frame.id);
    removeText(edit, frame);
  }
  return edit.diff();
}

/** Removes the text that a frame of a master shows: it has no other. */
function removeText(edit: Edit, frame: FrameRecord): void {
  const text = textIn(frame);
  if (text !== undefined) edit.remove(text);
}
