import { effectiveResolution } from '../../pictures/placing';
import { isDrawing } from '../../records/picture';
import type { Found } from '../finding';
import type { Mend } from '../mends';
import { boxOf, type Rule } from '../rule';

/** Pictures that are shown larger than they are good for. */
export const RESOLUTION: Rule = {
  name: 'resolution',
  title: 'Coarse and enlarged pictures',
  page: (view) =>
    view.list.items.flatMap((item): Found[] => {
      if (item.type !== 'picture') return [];
      const picture = view.find('picture', item.picture);
      if (!picture || isDrawing(picture)) return [];
      const { leastPpi, goodPpi, enlargement } = view.limits;
      const ppi = Math.round(effectiveResolution(picture, item.placed));
      const share = goodPpi / Math.max(1, ppi);
      const isCoarse = ppi < leastPpi;
      if (!isCoarse && share <= enlargement + 0.005) return [];
      const frame = view.find('frame', item.frame);
      const isOwn = frame?.on === view.list.page && frame.content.type === 'picture' && !frame.locked;
      const to = isCoarse ? leastPpi : Math.ceil(goodPpi / enlargement);
      const mends: Mend[] = isOwn
        ? [{ name: `Show it smaller, at ${to} ppi`, do: 'shrink', of: { frame: item.frame, ppi: to } }]
        : [];
      return [
        {
          grave: ppi < leastPpi / 2 ? 'grave' : isCoarse ? 'fault' : 'detail',
          at: { page: view.list.page, frame: item.frame, box: boxOf(item), picture: picture.id },
          words: isCoarse
            ? `“${picture.name}” has ${ppi} ppi here; at least ${leastPpi} are wanted.`
            : `“${picture.name}” is shown at ${Math.round(100 * share)} % of the size it is good for: ${ppi} ppi.`,
          effect: isCoarse ? 'It looks coarse, with steps at its edges.' : 'It loses some of its sharpness.',
          mends,
        },
      ];
    }),
};
