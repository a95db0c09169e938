import type { Box, Point } from '@/core/geometry/box';
import type { PlacedPage } from '@/core/page/pages';

/** How the desk is looked at: a point of the spread is shown at `k` times its coordinates, moved by tx and ty pixels. */
export interface View {
  readonly k: number;
  readonly tx: number;
  readonly ty: number;
}

/** Pixels around a spread that fills the desk. */
export const RIM = 34;

/** The view in which a box of the spread fills a desk of a size. */
export function fitView(box: Box, width: number, height: number): View {
  const k = Math.max(0.05, Math.min((width - 2 * RIM) / box.w, (height - 2 * RIM) / box.h));
  return { k, tx: (width - box.w * k) / 2 - box.x * k, ty: (height - box.h * k) / 2 - box.y * k };
}

/** The view with another scale, the point of the desk at x, y staying where it is. */
export function zoomed(view: View, factor: number, x: number, y: number): View {
  const k = Math.max(0.05, Math.min(24, view.k * factor));
  return { k, tx: x - ((x - view.tx) * k) / view.k, ty: y - ((y - view.ty) * k) / view.k };
}

export const toScreen = (view: View, box: Box): Box => ({
  x: box.x * view.k + view.tx,
  y: box.y * view.k + view.ty,
  w: box.w * view.k,
  h: box.h * view.k,
});

export const toSpread = (view: View, x: number, y: number): Point => ({ x: (x - view.tx) / view.k, y: (y - view.ty) / view.k });

/** The page of a spread that a point of the spread lies on, with the point in the page's coordinates. */
export function onPage(
  pages: readonly PlacedPage[],
  width: number,
  height: number,
  point: Point,
): { page: PlacedPage; x: number; y: number } | undefined {
  if (point.y < 0 || point.y > height) return undefined;
  const page = pages.find(({ dx }) => point.x >= dx && point.x <= dx + width);
  return page && { page, x: point.x - page.dx, y: point.y };
}
