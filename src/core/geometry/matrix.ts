import type { Box, Point } from './box';
import type { Outline } from './outline';

/** An affine map (x, y) → (a·x + c·y + e, b·x + d·y + f), written as SVG 1.1 writes it: [a, b, c, d, e, f]. */
export type Matrix = readonly [number, number, number, number, number, number];

export const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0];

/** First `inner`, then `outer`. */
export function composedWith(outer: Matrix, inner: Matrix): Matrix {
  const [a, b, c, d, e, f] = outer;
  const [g, h, i, j, k, l] = inner;
  return [a * g + c * h, b * g + d * h, a * i + c * j, b * i + d * j, a * k + c * l + e, b * k + d * l + f];
}

/** Turned clockwise (y grows downwards) by `degrees` about a point. Quarter turns are exact. */
export function rotation(degrees: number, about: Point): Matrix {
  const quarter = degrees / 90;
  const whole = Number.isInteger(quarter) ? ((quarter % 4) + 4) % 4 : -1;
  const cos = whole >= 0 ? [1, 0, -1, 0][whole]! : Math.cos((degrees * Math.PI) / 180);
  const sin = whole >= 0 ? [0, 1, 0, -1][whole]! : Math.sin((degrees * Math.PI) / 180);
  return [cos, sin, -sin, cos, about.x - cos * about.x + sin * about.y, about.y - sin * about.x - cos * about.y];
}

export const translation = (x: number, y: number): Matrix => [1, 0, 0, 1, x, y];

export function inverse([a, b, c, d, e, f]: Matrix): Matrix {
  const det = a * d - b * c;
  return [d / det, -b / det, -c / det, a / det, (c * f - d * e) / det, (b * e - a * f) / det];
}

export const mapped = ([a, b, c, d, e, f]: Matrix, { x, y }: Point): Point => ({ x: a * x + c * y + e, y: b * x + d * y + f });

export const mappedOutline = (matrix: Matrix, outline: Outline): Outline =>
  outline.map((ring) => {
    const out = new Array<number>(ring.length);
    for (let i = 0; i < ring.length; i += 2) {
      const point = mapped(matrix, { x: ring[i]!, y: ring[i + 1]! });
      out[i] = point.x;
      out[i + 1] = point.y;
    }
    return out;
  });

/** The smallest upright box around a mapped box. */
export function mappedBox(matrix: Matrix | undefined, box: Box): Box {
  if (!matrix) return box;
  const corners = [
    mapped(matrix, box),
    mapped(matrix, { x: box.x + box.w, y: box.y }),
    mapped(matrix, { x: box.x, y: box.y + box.h }),
    mapped(matrix, { x: box.x + box.w, y: box.y + box.h }),
  ];
  const x = Math.min(...corners.map((corner) => corner.x));
  const y = Math.min(...corners.map((corner) => corner.y));
  return { x, y, w: Math.max(...corners.map((corner) => corner.x)) - x, h: Math.max(...corners.map((corner) => corner.y)) - y };
}
