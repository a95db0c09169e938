import type { Box } from '@/core/geometry/box';
import type { PlacedPage } from '@/core/page/pages';
import type { FormatRecord } from '@/core/records/index';
import { bleedBoxOf, type DeskView, rowStep } from '../sheet/useDeskView';
import { toScreen, type View } from '../sheet/view';
import type { SpreadInSight } from './useSpreadInSight';

/** A spread of the row beside the one in hand. */
export interface RowSpread {
  /** How many spreads further down. */
  readonly by: number;
  readonly pages: readonly PlacedPage[];
  readonly bleedBox: Box;
  readonly view: View;
}

export const NO_ROW: readonly RowSpread[] = [];

/** Spreads on either side that are painted at most, however small they are. */
const MOST = 5;

/** The spreads above and below the one in hand that the desk shows a part of. */
export function rowInSight({ every, index }: SpreadInSight, format: FormatRecord, { view, size }: DeskView): RowSpread[] {
  const out: RowSpread[] = [];
  for (let by = -MOST; by <= MOST; by++) {
    const pages = every[index + by];
    if (!pages || by === 0) continue;
    const own = { ...view, ty: view.ty + by * rowStep(format) * view.k };
    const bleedBox = bleedBoxOf(pages, format);
    const { y, h } = toScreen(own, bleedBox);
    if (y < size.height && y + h > 0) out.push({ by, pages, bleedBox, view: own });
  }
  return out;
}
