import { waitsFor } from '../../records/kinds/frames';
import type { Found } from '../finding';
import { boxOf, type Rule } from '../rule';

/** Slots, frames and pictures that nothing fills. */
export const WAITING: Rule = {
  name: 'waiting',
  title: 'Empty frames',
  page: (view) =>
    view.list.items.flatMap((item): Found[] => {
      if (item.type !== 'empty') return [];
      const frame = view.find('frame', item.frame);
      const what = frame && waitsFor(frame);
      const isOwn = frame?.on === view.list.page;
      return [
        {
          grave: 'fault',
          at: { page: view.list.page, frame: item.frame, box: boxOf(item) },
          words: `An empty place${what ? `: ${what}` : ''}.`,
          effect: 'It would be blank paper.',
          mends: isOwn ? [{ name: 'Remove the frame', do: 'removeFrame', of: { frame: item.frame } }] : [],
        },
      ];
    }),
};
