import type { Box } from './box';

/**
 * Rings of points with curves between them, six figures a point: its place, the handle of the curve that comes to it, and that
 * of the curve that leaves it. A handle that lies on its point leaves its side straight where the other one does too.
 */
export type Path = readonly (readonly number[])[];

/** Figures that a point of a path is given by. */
export const PER_POINT = 6;

/** The share of its radius that the handles of a quarter of a circle are long: 4/3·(√2 − 1). */
export const ROUND = (4 / 3) * (Math.SQRT2 - 1);

/** A point with straight sides. */
export const cornerAt = (x: number, y: number): number[] => [x, y, x, y, x, y];

/** A path given in the unit square, laid over `box`. */
export const pathLaidOver = (path: Path, box: Box): Path =>
  path.map((ring) => ring.map((value, i) => (i % 2 === 0 ? box.x + value * box.w : box.y + value * box.h)));

/** The same the other way: a path that lies in `box` in its unit square. */
export const pathInUnit = (path: Path, { x, y, w, h }: Box): number[][] =>
  path.map((ring) => ring.map((value, i) => (i % 2 === 0 ? (value - x) / w : (value - y) / h)));

/** Straight pieces that a curve is taken in: so many that none is a fiftieth of a point off it on a page. */
const piecesFor = (length: number): number => Math.max(4, Math.min(96, Math.ceil(4 * Math.sqrt(length))));

/** The same rings as points alone. */
export function flatPath(path: Path): number[][] {
  return path.map((ring) => {
    const out: number[] = [];
    const n = ring.length / PER_POINT;
    for (let i = 0; i < n; i++) {
      const at = PER_POINT * i;
      const next = PER_POINT * ((i + 1) % n);
      const [x0, y0, x1, y1] = [ring[at]!, ring[at + 1]!, ring[at + 4]!, ring[at + 5]!];
      const [x2, y2, x3, y3] = [ring[next + 2]!, ring[next + 3]!, ring[next]!, ring[next + 1]!];
      out.push(x0, y0);
      if (isStraight(x0, y0, x1, y1) && isStraight(x3, y3, x2, y2)) continue;
      const pieces = piecesFor(Math.hypot(x1 - x0, y1 - y0) + Math.hypot(x2 - x1, y2 - y1) + Math.hypot(x3 - x2, y3 - y2));
      for (let k = 1; k < pieces; k++) {
        const t = k / pieces;
        const u = 1 - t;
        const [a, b, c, d] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
        out.push(a * x0 + b * x1 + c * x2 + d * x3, a * y0 + b * y1 + c * y2 + d * y3);
      }
    }
    return out;
  });
}

const isStraight = (x: number, y: number, hx: number, hy: number): boolean => x === hx && y === hy;

/** A path as path data (SVG 1.1): lines where both handles of a side lie on their points, cubic curves elsewhere. */
export function pathData(path: Path, figure: (value: number) => string): string {
  const f = (...values: number[]) => values.map(figure).join(' ');
  return path
    .map((ring) => {
      const n = ring.length / PER_POINT;
      let out = `M${f(ring[0]!, ring[1]!)}`;
      for (let i = 0; i < n; i++) {
        const at = PER_POINT * i;
        const next = PER_POINT * ((i + 1) % n);
        const straight =
          isStraight(ring[at]!, ring[at + 1]!, ring[at + 4]!, ring[at + 5]!) &&
          isStraight(ring[next]!, ring[next + 1]!, ring[next + 2]!, ring[next + 3]!);
        if (straight) out += i === n - 1 ? '' : `L${f(ring[next]!, ring[next + 1]!)}`;
        else out += `C${f(ring[at + 4]!, ring[at + 5]!, ring[next + 2]!, ring[next + 3]!, ring[next]!, ring[next + 1]!)}`;
      }
      return `${out}Z`;
    })
    .join('');
}

/** Points alone as a path with straight sides. */
export const straightPath = (outline: readonly (readonly number[])[]): number[][] =>
  outline.map((ring) => {
    const out: number[] = [];
    for (let i = 0; i + 1 < ring.length; i += 2) out.push(...cornerAt(ring[i]!, ring[i + 1]!));
    return out;
  });
