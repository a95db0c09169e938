import type { Box } from '@/core/geometry/box';

interface Size {
  readonly width: number;
  readonly height: number;
}

const MENU: Size = { width: 224, height: 330 };

const within = (value: number, most: number): number => Math.max(4, Math.min(most - 4, value));

/** Where the menu of a stretch stands: in it, but inside the desk. All in pixels of the desk. */
export function menuPlace(at: Box, desk: Size): { left: number; top: number } {
  return { left: within(at.x + at.w / 2 - 40, desk.width - MENU.width), top: within(at.y + 34, desk.height - MENU.height) };
}
