import type { Found } from '../finding';
import { boxOf, type Rule } from '../rule';
import { overlaps } from '../../geometry/box';

const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** Places with more ink than the paper takes, measured on the painted page. */
export const COVERAGE: Rule = {
  name: 'coverage',
  title: 'Too much ink',
  page: (view) =>
    !view.limits.inks
      ? []
      : (view.measured?.spots ?? []).map(({ box, most }): Found => {
          // What is painted last there is what one sees.
          const item = view.list.items.findLast(
            (each) => (each.type === 'picture' || each.type === 'area' || each.type === 'text') && overlaps(boxOf(each), box),
          );
          return {
            grave: 'fault',
            at: { page: view.list.page, frame: item?.frame, box },
            words: `${percent(most)} of ink on one place; the paper takes ${percent(view.limits.coverage)}.`,
            effect: 'It dries slowly and marks the sheet above it.',
          };
        }),
};
