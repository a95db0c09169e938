import { overlaps } from '../../geometry/box';
import type { Found } from '../finding';
import { lineBox, type LineOnPage, linesOn, lineWords, placeOfLine } from '../lines';
import { boxOf, type Rule } from '../rule';

/** Points by which letters of two lines may come to one another: descenders and accents. */
const SLACK = 2;

/** Two texts one over the other, and text that something covers. */
export const OVERLAPS: Rule = {
  name: 'overlaps',
  title: 'Text that is covered',
  page: (view) => {
    const byFrame = new Map<string, LineOnPage[]>();
    for (const on of linesOn(view)) byFrame.set(on.item.frame, [...(byFrame.get(on.item.frame) ?? []), on]);
    const texts = [...byFrame.values()];
    const out: Found[] = [];
    for (const [i, own] of texts.entries())
      for (const other of texts.slice(i + 1)) {
        if (!overlaps(boxOf(own[0]!.item), boxOf(other[0]!.item))) continue;
        const under = own.find((line) => other.some((each) => overlaps(lineBox(line), lineBox(each), SLACK)));
        if (!under) continue;
        const over = other.find((each) => overlaps(lineBox(under), lineBox(each), SLACK))!;
        out.push({
          grave: 'grave',
          at: placeOfLine(view, over),
          words: `“${lineWords(over)}” lies over “${lineWords(under)}”.`,
          effect: 'Neither can be read.',
        });
      }
    const { items } = view.list;
    for (const own of texts) {
      const at = items.indexOf(own[0]!.item);
      const covers = items.slice(at + 1).filter((item) => {
        const isOpaque = (item.opacity ?? 1) > 0.6;
        if (item.veil) return false;
        if (item.type === 'area') return isOpaque && item.part === 'fill' && item.contour.type === 'rectangle';
        // A cut-out covers less than its frame.
        if (item.type !== 'picture' || item.clip) return false;
        return isOpaque && !view.find('picture', item.picture)?.transparent;
      });
      const line = own.find((each) => covers.some((item) => covered(lineBox(each), boxOf(item))));
      if (!line) continue;
      out.push({
        grave: 'grave',
        at: placeOfLine(view, line),
        words: `“${lineWords(line)}” lies under ${covers.some((item) => item.type === 'picture' && covered(lineBox(line), boxOf(item))) ? 'a picture' : 'an area of colour'}.`,
        effect: 'It would not be seen.',
      });
    }
    return out;
  },
};

/** Whether a third of a line is hidden. */
function covered(line: { x: number; y: number; w: number; h: number }, by: typeof line): boolean {
  const w = Math.min(line.x + line.w, by.x + by.w) - Math.max(line.x, by.x);
  const h = Math.min(line.y + line.h, by.y + by.h) - Math.max(line.y, by.y);
  return w > 0 && h > 0 && w * h > (line.w * line.h) / 3;
}
