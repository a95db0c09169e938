/** A rectangle with its sides along the axes; x grows to the right, y downwards, all in points. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

export interface Point {
  readonly x: number;
  readonly y: number;
}

export const right = (box: Box): number => box.x + box.w;
export const bottom = (box: Box): number => box.y + box.h;
export const middleOf = ({ x, y, w, h }: Box): Point => ({ x: x + w / 2, y: y + h / 2 });

/** Two boxes that share more than an edge. `slack` (points) lets them share that much and still be apart. */
export function overlaps(a: Box, b: Box, slack = 0): boolean {
  return a.x + slack < right(b) && b.x + slack < right(a) && a.y + slack < bottom(b) && b.y + slack < bottom(a);
}

export function contains(box: Box, point: Point): boolean {
  return point.x >= box.x && point.x <= right(box) && point.y >= box.y && point.y <= bottom(box);
}

export function shifted(box: Box, dx: number, dy: number): Box {
  return { x: box.x + dx, y: box.y + dy, w: box.w, h: box.h };
}

/** The box larger by `by` on every side. */
export function grown(box: Box, by: number): Box {
  return { x: box.x - by, y: box.y - by, w: box.w + 2 * by, h: box.h + 2 * by };
}

/** The box between two opposite corners, given in any order. */
export function between(a: Point, b: Point): Box {
  return { x: Math.min(a.x, b.x), y: Math.min(a.y, b.y), w: Math.abs(a.x - b.x), h: Math.abs(a.y - b.y) };
}

/** The smallest box around all of `boxes`; undefined for none. */
export function around(boxes: readonly Box[]): Box | undefined {
  const first = boxes[0];
  if (!first) return undefined;
  let { x, y } = first;
  let r = right(first);
  let b = bottom(first);
  for (const box of boxes) {
    x = Math.min(x, box.x);
    y = Math.min(y, box.y);
    r = Math.max(r, right(box));
    b = Math.max(b, bottom(box));
  }
  return { x, y, w: r - x, h: b - y };
}
