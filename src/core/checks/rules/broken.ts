import type { Found } from '../finding';
import { boxOf, type Rule } from '../rule';

/** Frames that cannot be composed. */
export const BROKEN: Rule = {
  name: 'broken',
  title: 'Frames that cannot be shown',
  page: ({ list }) =>
    list.items.flatMap((item): Found[] =>
      item.type !== 'broken'
        ? []
        : [
            {
              grave: 'grave',
              at: { page: list.page, frame: item.frame, box: boxOf(item) },
              words: `A frame cannot be composed: ${item.why}`,
              effect: 'The issue cannot be delivered with it.',
              mends: [{ name: 'Remove the frame', do: 'removeFrame', of: { frame: item.frame } }],
            },
          ],
    ),
};
