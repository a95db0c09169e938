import { ROLES_AS_READ } from '@/core/compose/displayList/readingOrder';
import { type Document, find, threadOf } from '@/core/records/document';
import { textIn } from '@/core/records/kinds/frames';
import type { LyingFrame } from './frameInSight';

/**
 * Frames in the order in which a reader takes them, page by page: a story’s together from where its highest frame stands, its
 * parts in turn; what belongs to no story where it stands; captions behind their pictures.
 */
export function asRead<F extends LyingFrame>(document: Document, frames: readonly F[]): F[] {
  const byId = new Map(frames.map((each) => [each.frame.id, each]));
  /** Where each group begins: at its highest frame, and of those the leftmost. */
  const begins = new Map<string, { readonly y: number; readonly x: number }>();
  const keyed = frames.map((each) => {
    const at = byId.get(each.frame.beside?.frame ?? '') ?? each;
    const text = find(document, 'text', textIn(each.frame));
    const story = at === each ? text?.story : undefined;
    const group = `${at.page.page.id} ${story ?? at.frame.id}`;
    const { y, x } = at.box;
    const before = begins.get(group);
    if (!before || y < before.y || (y === before.y && x < before.x)) begins.set(group, { y, x });
    return {
      each,
      group,
      page: at.page.dx,
      role: text ? ROLES_AS_READ.indexOf(text.role) : -1,
      place: text ? threadOf(document, text.id).findIndex(({ id }) => id === each.frame.id) : 0,
    };
  });
  const orders: readonly ((a: (typeof keyed)[number], b: (typeof keyed)[number]) => number)[] = [
    (a, b) => a.page - b.page,
    (a, b) => begins.get(a.group)!.y - begins.get(b.group)!.y,
    (a, b) => begins.get(a.group)!.x - begins.get(b.group)!.x,
    (a, b) => (a.group === b.group ? 0 : a.group < b.group ? -1 : 1),
    (a, b) => a.role - b.role,
    (a, b) => a.place - b.place,
    (a, b) => a.each.box.y - b.each.box.y,
    (a, b) => a.each.box.x - b.each.box.x,
  ];
  const compare = (a: (typeof keyed)[number], b: (typeof keyed)[number]): number => {
    for (const order of orders) {
      const by = order(a, b);
      if (by !== 0) return by;
    }
    return 0;
  };
  return keyed.sort(compare).map(({ each }) => each);
}
