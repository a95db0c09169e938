import type { Box } from '@/core/geometry/box';

interface Size {
  readonly width: number;
  readonly height: number;
}

const MENU: Size = { width: 224, height: 330 };

const inside = (value: number, most: number): number => Math.max(4, Math.min(most - 4, value));

/** Where a menu stands that was asked for at a point: there, but inside the desk. */
export const within = ({ x, y }: { readonly x: number; readonly y: number }, desk: Size): { left: number; top: number } => ({
  left: inside(x, desk.width - 288),
  top: inside(y, desk.height - 340),
});

/** Where the menu of a stretch stands: in it, but inside the desk. All in pixels of the desk. */
export function menuPlace(at: Box, desk: Size): { left: number; top: number } {
  return { left: inside(at.x + at.w / 2 - 40, desk.width - MENU.width), top: inside(at.y + 34, desk.height - MENU.height) };
}
