import type { Point } from '../../geometry/box';
import { doubleArea } from '../../geometry/outline';
import type { Box } from '../../geometry/box';
import type { Matrix } from '../../geometry/matrix';
import type { Shape, TextAlong } from '../../records/frame';
import { contourOf, outlineOf } from './contours';

/** A way that a line of text goes: along the edge of a form. */
export interface Way {
  /** Points, from where the text may begin to where it must end. */
  readonly length: number;
  /**
   * From a line that runs straight to where the way has it: what stands `x` along the line, on a baseline of height nought, stands
   * upright on the way there.
   */
  at(x: number): Matrix;
}

/**
 * The edge of a form as a way for text. It is walked clockwise from the middle of its foot, so that text in the middle of the way
 * stands at the top; inside of the edge the other way round from the middle of its top, so that it stands at the foot.
 */
export function wayAlong(shape: Shape | undefined, box: Box, { side, from, reach, gap }: TextAlong): Way {
  const rings = outlineOf(contourOf(shape, box));
  const size = (ring: readonly number[]) => Math.abs(doubleArea(ring));
  const ring = rings.reduce<readonly number[]>((best, each) => (size(each) > size(best) ? each : best), rings[0] ?? []);
  const points: Point[] = [];
  for (let i = 0; i + 1 < ring.length; i += 2) points.push({ x: ring[i]!, y: ring[i + 1]! });
  // With y downwards a positive area is walked clockwise.
  if (doubleArea(ring) > 0 !== (side === 'outside')) points.reverse();
  const start = { x: box.x + box.w / 2, y: side === 'outside' ? box.y + box.h : box.y };
  const lengths = [0];
  const walked = begunNear(points, start);
  for (let i = 1; i < walked.length; i++)
    lengths.push(lengths[i - 1]! + Math.hypot(walked[i]!.x - walked[i - 1]!.x, walked[i]!.y - walked[i - 1]!.y));
  const whole = lengths.at(-1)!;
  return {
    length: whole * reach,
    at: (x) => {
      const gone = whole * from + x;
      const far = whole > 0 ? gone - whole * Math.floor(gone / whole) : 0;
      const i = segmentAt(lengths, far);
      const [a, b] = [walked[i]!, walked[i + 1] ?? walked[i]!];
      const long = Math.hypot(b.x - a.x, b.y - a.y) || 1;
      const [cos, sin] = [(b.x - a.x) / long, (b.y - a.y) / long];
      const along = far - lengths[i]!;
      // The foot of what stands there, off the edge by the gap.
      const at = { x: a.x + cos * along + sin * gap, y: a.y + sin * along - cos * gap };
      return [cos, sin, -sin, cos, at.x - cos * x, at.y - sin * x];
    },
  };
}

/** A ring as a walk that begins and ends at the place of its edge nearest to a point. */
function begunNear(points: readonly Point[], to: Point): Point[] {
  let best = { i: 0, at: points[0] ?? to, far: Infinity };
  points.forEach((a, i) => {
    const b = points[(i + 1) % points.length]!;
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const square = dx * dx + dy * dy;
    const t = square === 0 ? 0 : Math.max(0, Math.min(1, ((to.x - a.x) * dx + (to.y - a.y) * dy) / square));
    const at = { x: a.x + dx * t, y: a.y + dy * t };
    const far = Math.hypot(at.x - to.x, at.y - to.y);
    if (far < best.far - 1e-9) best = { i, at, far };
  });
  const n = points.length;
  return [best.at, ...Array.from({ length: n }, (_, k) => points[(best.i + 1 + k) % n]!), best.at];
}

/** The stretch of a walk in which so many points have been gone. */
function segmentAt(lengths: readonly number[], far: number): number {
  let low = 0;
  let high = Math.max(0, lengths.length - 2);
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (lengths[middle]! <= far) low = middle;
    else high = middle - 1;
  }
  return low;
}
