import type { Box } from '@/core/geometry/box';

interface Size {
  readonly width: number;
  readonly height: number;
}

const MENU: Size = { width: 224, height: 190 };
const BAR: Size = { width: 430, height: 28 };

const within = (value: number, most: number): number => Math.max(4, Math.min(most - 4, value));

/** Where the menu of a stretch stands: in it, but inside the desk. All in pixels of the desk. */
export function menuPlace(at: Box, desk: Size): { left: number; top: number } {
  return { left: within(at.x + at.w / 2 - 40, desk.width - MENU.width), top: within(at.y + 34, desk.height - MENU.height) };
}

/**
 * Where the bar of a frame stands: below the spread, level with the frame, where it hides nothing; zoomed in, when there
 * is no desk left below, under the frame, over it, or in its upper part.
 *
 * @param foot where the spread ends
 */
export function barPlace(at: Box, desk: Size, foot: number): { left: number; top: number } {
  const left = within(at.x + at.w / 2 - BAR.width / 2, desk.width - BAR.width);
  if (foot > 0 && foot + 6 + BAR.height < desk.height - 4) return { left, top: foot + 6 };
  const below = at.y + at.h + 16;
  const above = at.y - BAR.height - 10;
  const top = below + BAR.height < desk.height - 4 ? below : above > 4 ? above : within(at.y + 10, desk.height - BAR.height);
  return { left, top };
}
