import type { Place } from '@/core/actions/frames';
import type { Box } from '@/core/geometry/box';
import type { PlacedPage } from '@/core/page/pages';
import type { FrameRecord } from '@/core/records/index';

/** A frame of the spread in sight, where it now lies. */
export interface FrameInSight {
  readonly frame: FrameRecord;
  readonly page: PlacedPage;
  /** In page coordinates. */
  readonly box: Box;
}

/** A frame as if it lay elsewhere. */
export function inPlace(each: FrameInSight, place: Place | undefined, pages: readonly PlacedPage[]): FrameInSight {
  if (!place) return each;
  return { ...each, page: pages.find(({ page }) => page.id === place.on) ?? each.page, box: place.box };
}

export const onSpread = ({ page, box }: Pick<FrameInSight, 'page' | 'box'>): Box => ({ ...box, x: box.x + page.dx });

/** The turn of a frame about the middle of its box on the screen. */
export const turnOf = ({ rotation }: FrameRecord, { x, y, w, h }: Box): string | undefined =>
  rotation ? `rotate(${rotation} ${x + w / 2} ${y + h / 2})` : undefined;
