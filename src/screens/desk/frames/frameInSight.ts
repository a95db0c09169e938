import type { Place } from '@/core/actions/frames';
import type { Box, Point } from '@/core/geometry/box';
import { mapped, rotation } from '@/core/geometry/matrix';
import type { PlacedPage } from '@/core/page/pages';
import type { FrameRecord } from '@/core/records/index';

/** A frame where it lies. */
export interface LyingFrame {
  readonly frame: FrameRecord;
  readonly page: PlacedPage;
  /** In page coordinates. */
  readonly box: Box;
}

/** A frame of the spread in sight, where it now lies. */
export interface FrameInSight extends LyingFrame {
  /** By itself or with its layer: no hand moves it, and it is not in the way of what lies under it. */
  readonly locked: boolean;
}

/** A frame as if it lay elsewhere. */
export function inPlace(each: FrameInSight, place: Place | undefined, pages: readonly PlacedPage[]): FrameInSight {
  if (!place) return each;
  return { ...each, page: pages.find(({ page }) => page.id === place.on) ?? each.page, box: place.box };
}

export const onSpread = ({ page, box }: Pick<LyingFrame, 'page' | 'box'>): Box => ({ ...box, x: box.x + page.dx });

/** The turn of a frame about the middle of its box on the screen. */
export const turnOf = ({ rotation }: FrameRecord, { x, y, w, h }: Box): string | undefined =>
  rotation ? `rotate(${rotation} ${x + w / 2} ${y + h / 2})` : undefined;

/** A way over the page as it goes along the sides of a frame, which may be rotated. */
export const alongFrame = ({ rotation: degrees }: FrameRecord, by: Point): Point =>
  mapped(rotation(-(degrees ?? 0), { x: 0, y: 0 }), by);
