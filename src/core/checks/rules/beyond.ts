import { overlaps } from '../../geometry/box';
import type { Found } from '../finding';
import { boxOf, ownItems, type Rule } from '../rule';

/** Frames that lie beside their page. */
export const BEYOND: Rule = {
  name: 'beyond',
  title: 'Frames beyond their page',
  page: (view) => {
    const { list, beside, side } = view;
    const done = new Set<string>();
    const sheet = {
      x: side === 'right' && beside ? -list.width : 0,
      y: 0,
      w: beside ? 2 * list.width : list.width,
      h: list.height,
    };
    return ownItems(view).flatMap((item): Found[] => {
      const box = boxOf(item);
      if (done.has(item.frame) || overlaps(box, sheet)) return [];
      done.add(item.frame);
      return [
        {
          grave: 'fault',
          at: { page: list.page, frame: item.frame, box, text: item.type === 'text' ? item.text : undefined },
          words: 'A frame lies beside its page.',
          effect: 'It would not be printed.',
          mends: [{ name: 'Remove the frame', do: 'removeFrame', of: { frame: item.frame } }],
        },
      ];
    });
  },
};
