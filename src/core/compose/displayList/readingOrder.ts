import { overlaps } from '../../geometry/box';
import { mappedBox } from '../../geometry/matrix';
import { type Document, find, threadOf } from '../../records/document';
import type { TextRole } from '../../records/text';
import type { Item } from './displayList';

/** The parts of a story in the order in which a reader takes them. */
export const ROLES_AS_READ: readonly TextRole[] = [
  'headline',
  'standfirst',
  'byline',
  'body',
  'quote',
  'caption',
  'credit',
  'furniture',
];

/**
 * The items of a page in the order in which they are read, as far as painting allows: what lies over another item
 * still comes after it. Stories keep together, in the order of their highest frame; within a story the parts follow
 * the order in which a reader takes them, and the frames of a text that of its thread.
 */
export function inReadingOrder(document: Document, items: readonly Item[]): Item[] {
  const boxes = items.map((item) => mappedBox(item.transform, item.box));
  const keys = items.map((item, i) => {
    const text = item.type === 'text' ? find(document, 'text', item.text) : undefined;
    const place = item.type === 'text' ? threadOf(document, item.text).findIndex(({ id }) => id === item.frame) : -1;
    return {
      story: text?.story ?? '',
      text: text?.id,
      place,
      role: text ? ROLES_AS_READ.indexOf(text.role) : -1,
      x: boxes[i]!.x,
      y: boxes[i]!.y,
    };
  });
  const storyTop = new Map<string, number>();
  keys.forEach(({ story, y }) => storyTop.set(story, Math.min(storyTop.get(story) ?? Infinity, y)));
  const before = (a: number, b: number): boolean => {
    const p = keys[a]!;
    const q = keys[b]!;
    if (p.role < 0 !== q.role < 0) return p.role < 0;
    if (p.story !== q.story) {
      if ((p.story === '') !== (q.story === '')) return q.story === '';
      return storyTop.get(p.story)! < storyTop.get(q.story)!;
    }
    if (p.role !== q.role) return p.role < q.role;
    if (p.text !== undefined && p.text === q.text) return p.place < q.place;
    return p.x !== q.x ? p.x < q.x : p.y < q.y;
  };
  const left = items.map((_, i) => i);
  const out: Item[] = [];
  while (left.length > 0) {
    let best = -1;
    for (let i = 0; i < left.length; i++) {
      const covered = left.slice(0, i).some((below) => overlaps(boxes[below]!, boxes[left[i]!]!, 0.01));
      if (!covered && (best < 0 || before(left[i]!, left[best]!))) best = i;
    }
    out.push(items[left.splice(best, 1)[0]!]!);
  }
  return out;
}
