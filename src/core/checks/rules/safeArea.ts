import { around, type Box, bottom, right } from '../../geometry/box';
import { lengthIn } from '../../length/length';
import type { Found } from '../finding';
import { lineBox, type LineOnPage, linesOn, lineWords, placeOfLine } from '../lines';
import type { Mend } from '../mends';
import type { PageView, Rule } from '../rule';

/** What letters stand out of their boxes by, points. */
const SLACK = 1;

/** Text so near to the trim that it may be cut. */
export const SAFE_AREA: Rule = {
  name: 'safeArea',
  title: 'Text outside the safe area',
  page: (view) => {
    const byFrame = new Map<string, LineOnPage[]>();
    for (const on of linesOn(view)) byFrame.set(on.item.frame, [...(byFrame.get(on.item.frame) ?? []), on]);
    return [...byFrame].flatMap(([id, lines]): Found[] => {
      const outside = lines.filter((on) => depth(view, lineBox(on)) > SLACK);
      const worst = outside.reduce<LineOnPage | undefined>(
        (most, on) => (most && depth(view, lineBox(most)) >= depth(view, lineBox(on)) ? most : on),
        undefined,
      );
      if (!worst) return [];
      const by = view.format.safe - depth(view, lineBox(worst));
      const isCut = by < 0;
      return [
        {
          grave: isCut ? 'grave' : 'fault',
          at: placeOfLine(view, worst),
          words: isCut
            ? `“${lineWords(worst)}” reaches ${lengthIn(-by)} beyond the trim.`
            : `“${lineWords(worst)}” stands ${lengthIn(by)} from the trim; the safe area begins at ${lengthIn(view.format.safe)}.`,
          effect: isCut ? 'It is cut off.' : 'It may be cut off.',
          mends: mendsOf(view, id, lines),
        },
      ];
    });
  },
};

/** How far a box reaches into the edge that may be cut; at the spine nothing is. */
function depth({ format, side, beside }: PageView, box: Box): number {
  const { safe, width, height } = format;
  const spine = beside === undefined ? undefined : side === 'left' ? 'right' : 'left';
  return Math.max(
    safe - box.y,
    bottom(box) - (height - safe),
    spine === 'left' ? -Infinity : safe - box.x,
    spine === 'right' ? -Infinity : right(box) - (width - safe),
  );
}

/** The frame moved as far as its letters have to, where they then all fit. */
function mendsOf(view: PageView, id: string, lines: readonly LineOnPage[]): Mend[] {
  const frame = view.find('frame', id);
  const all = around(lines.map(lineBox));
  if (!frame || !all || frame.locked || frame.on !== view.list.page || frame.beside) return [];
  const { safe, width, height } = view.format;
  const within = (from: number, to: number, size: number) => Math.max(safe - from, Math.min(0, size - safe - to));
  const dx = within(all.x, right(all), width);
  const dy = within(all.y, bottom(all), height);
  if (all.w > width - 2 * safe || all.h > height - 2 * safe) return [];
  const box = { ...frame.box, x: frame.box.x + dx, y: frame.box.y + dy };
  return [{ name: 'Move it into the safe area', do: 'place', of: { frame: id, box } }];
}
