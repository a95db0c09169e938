import type { Diff } from '../records/diff';
import { all, type Document, get } from '../records/document';
import { sidesOf, type Wrap } from '../records/frame';
import { ActionError, Edit, newId } from './edit';

/** The frames of a group. */
export const membersOf = (document: Document, group: string) => all(document, 'frame').filter((frame) => frame.group === group);

/**
 * Makes frames one group: they are chosen and moved together, and text keeps away from them as from one, by the widest
 * of their stand-offs.
 */
export function groupFrames(document: Document, ids: readonly string[]): Diff {
  const frames = ids.map((id) => get(document, 'frame', id));
  if (frames.length < 2) throw new ActionError('A group is made of two frames or more.');
  if (frames.some(({ on }) => on !== frames[0]!.on)) throw new ActionError('Only frames of one page make a group.');
  const edit = new Edit(document);
  const wrapping = frames.filter(({ wrap }) => wrap.mode !== 'none');
  const widest = Math.max(0, ...wrapping.flatMap(({ wrap }) => Object.values(sidesOf(wrap.standOff))));
  const wrap: Wrap = { mode: wrapping.length > 0 ? 'frame' : 'none', standOff: widest, outline: 'shape' };
  const id = newId();
  edit.put({ id, kind: 'group', name: 'Group', wrap });
  for (const frame of frames) edit.put({ ...frame, group: id });
  for (const old of new Set(frames.flatMap(({ group }) => (group === undefined ? [] : [group])))) dissolveIfAlone(edit, old);
  return edit.diff();
}

/** Lets the frames of a group go their own ways, each with its own wrap again. */
export function ungroupFrames(document: Document, group: string): Diff {
  const edit = new Edit(document);
  dissolve(edit, group);
  return edit.diff();
}

/** How text keeps away from a group. */
export function setGroupWrap(document: Document, id: string, wrap: Partial<Wrap>): Diff {
  const edit = new Edit(document);
  const group = get(document, 'group', id);
  edit.put({ ...group, wrap: { ...group.wrap, ...wrap } });
  return edit.diff();
}

/** One frame is no group. */
export function dissolveIfAlone(edit: Edit, group: string): void {
  if (membersOf(edit.document, group).length < 2) dissolve(edit, group);
}

function dissolve(edit: Edit, group: string): void {
  for (const frame of membersOf(edit.document, group)) {
    const { group: _, ...alone } = frame;
    edit.put(alone);
  }
  edit.remove(group);
}
