import type { Box, Point } from './box';

/**
 * An outline: closed rings of points, each ring as a flat list `x0, y0, x1, y1, …` (the last point joins the
 * first). Inside is what an odd number of rings surrounds.
 */
export type Outline = readonly (readonly number[])[];

/** The outline of a box. */
export function boxOutline(box: Box): Outline {
  const r = box.x + box.w;
  const b = box.y + box.h;
  return [[box.x, box.y, r, box.y, r, b, box.x, b]];
}

/** An outline given in the unit square, laid over `box`. */
export function laidOver(outline: Outline, box: Box): Outline {
  return outline.map((ring) => ring.map((value, i) => (i % 2 === 0 ? box.x + value * box.w : box.y + value * box.h)));
}

/** The smallest box around an outline; undefined when it has no points. */
export function outlineBox(outline: Outline): Box | undefined {
  let x0 = Infinity;
  let y0 = Infinity;
  let x1 = -Infinity;
  let y1 = -Infinity;
  for (const ring of outline) {
    for (let i = 0; i < ring.length; i += 2) {
      x0 = Math.min(x0, ring[i]!);
      x1 = Math.max(x1, ring[i]!);
      y0 = Math.min(y0, ring[i + 1]!);
      y1 = Math.max(y1, ring[i + 1]!);
    }
  }
  return x0 <= x1 ? { x: x0, y: y0, w: x1 - x0, h: y1 - y0 } : undefined;
}

/** How many points an outline has. */
export const pointsIn = (outline: Outline): number => outline.reduce((sum, ring) => sum + ring.length / 2, 0);

/** Twice the signed area of a ring; positive when it runs clockwise on a page whose y grows downwards. */
export function doubleArea(ring: readonly number[]): number {
  let sum = 0;
  const n = ring.length;
  for (let i = 0; i < n; i += 2) {
    const j = (i + 2) % n;
    sum += ring[i]! * ring[j + 1]! - ring[j]! * ring[i + 1]!;
  }
  return sum;
}

/** Whether a point is inside (even–odd rule). */
export function outlineContains(outline: Outline, point: Point): boolean {
  let inside = false;
  for (const ring of outline) {
    const n = ring.length;
    for (let i = 0, j = n - 2; i < n; j = i, i += 2) {
      const yi = ring[i + 1]!;
      const yj = ring[j + 1]!;
      if (yi > point.y !== yj > point.y && point.x < ((ring[j]! - ring[i]!) * (point.y - yi)) / (yj - yi) + ring[i]!) {
        inside = !inside;
      }
    }
  }
  return inside;
}

/**
 * Fewer points with the ring kept within `tolerance` of where it was.
 *
 * Source: Douglas and Peucker, "Algorithms for the reduction of the number of points required to represent a
 * digitized line or its caricature", Cartographica 10 (1973). The ring is cut at its two farthest extremes
 * first, so that the result does not depend on where the ring happens to start.
 */
export function simplified(ring: readonly number[], tolerance: number): number[] {
  const n = ring.length / 2;
  if (n <= 4) return [...ring];
  const x = (i: number) => ring[2 * (i % n)]!;
  const y = (i: number) => ring[2 * (i % n) + 1]!;
  let start = 0;
  for (let i = 1; i < n; i++) if (x(i) < x(start) || (x(i) === x(start) && y(i) < y(start))) start = i;
  let far = start;
  let distance = -1;
  for (let i = 0; i < n; i++) {
    const d = (x(i) - x(start)) ** 2 + (y(i) - y(start)) ** 2;
    if (d > distance) [distance, far] = [d, i];
  }
  const span = (far - start + n) % n;
  const kept = new Set<number>([start, start + span]);
  const stack: [number, number][] = [
    [start, start + span],
    [start + span, start + n],
  ];
  while (stack.length > 0) {
    const [a, b] = stack.pop()!;
    const dx = x(b) - x(a);
    const dy = y(b) - y(a);
    const length2 = dx * dx + dy * dy;
    let worst = tolerance * tolerance;
    let at = -1;
    for (let i = a + 1; i < b; i++) {
      const px = x(i) - x(a);
      const py = y(i) - y(a);
      const t = length2 === 0 ? 0 : Math.max(0, Math.min(1, (px * dx + py * dy) / length2));
      const d2 = (px - t * dx) ** 2 + (py - t * dy) ** 2;
      if (d2 > worst) [worst, at] = [d2, i];
    }
    if (at >= 0) {
      kept.add(at);
      stack.push([a, at], [at, b]);
    }
  }
  const out: number[] = [];
  for (const i of [...kept].sort((a, b) => a - b)) out.push(x(i), y(i));
  return out;
}
