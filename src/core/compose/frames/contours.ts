import type { Box } from '../../geometry/box';
import { boxOutline, laidOver, type Outline } from '../../geometry/outline';
import { cornerAt, flatPath, pathData, pathLaidOver, ROUND } from '../../geometry/path';
import type { Corner, Corners, Shape } from '../../records/frame';
import type { Contour } from '../displayList/displayList';

/** The edge of a shape that fills a box. */
export function contourOf(shape: Shape | undefined, box: Box): Contour {
  switch (shape?.type) {
    case 'ellipse':
      return { type: 'ellipse', box };
    case 'polygon':
      return { type: 'outline', outline: laidOver([shape.points], box) };
    case 'outline':
      return { type: 'path', path: pathLaidOver(shape.rings, box) };
    case 'corners':
      return { type: 'path', path: [withCorners(shape, box)] };
    case 'arch':
      return { type: 'path', path: [arch(box, Math.min(shape.rise, box.h))] };
    default: {
      const radius = shape?.type === 'rounded' ? Math.min(shape.radius, box.w / 2, box.h / 2) : 0;
      return { type: 'rectangle', box, radius };
    }
  }
}

/** The ring of a box whose corners are each made their own way, clockwise; none reaches over the half of a side. */
function withCorners({ topLeft, topRight, bottomRight, bottomLeft }: Corners, { x, y, w, h }: Box): number[] {
  const most = Math.min(w, h) / 2;
  return [
    ...corner(topLeft, most, x, y, 0, 1, 1, 0),
    ...corner(topRight, most, x + w, y, -1, 0, 0, 1),
    ...corner(bottomRight, most, x + w, y + h, 0, -1, -1, 0),
    ...corner(bottomLeft, most, x, y + h, 1, 0, 0, -1),
  ];
}

/** The points of a corner at x, y: along the edge that comes to it lies (ax, ay), along the one that leaves it (bx, by). */
function corner(
  { form, size: wished }: Corner,
  most: number,
  x: number,
  y: number,
  ax: number,
  ay: number,
  bx: number,
  by: number,
): number[] {
  const size = Math.min(wished, most);
  if (form === 'square' || size === 0) return cornerAt(x, y);
  const [x0, y0, x1, y1] = [x + ax * size, y + ay * size, x + bx * size, y + by * size];
  if (form === 'cut') return [...cornerAt(x0, y0), ...cornerAt(x1, y1)];
  // Rounded, the curve bends towards the corner itself; scooped, about it.
  const long = form === 'rounded' ? size * (1 - ROUND) : size;
  const aside = form === 'rounded' ? 0 : size * ROUND;
  const out = [x + ax * long + bx * aside, y + ay * long + by * aside];
  const into = [x + bx * long + ax * aside, y + by * long + ay * aside];
  return [x0, y0, x0, y0, out[0]!, out[1]!, x1, y1, into[0]!, into[1]!, x1, y1];
}

/** Upright sides under the upper half of an ellipse that is so high. */
function arch({ x, y, w, h }: Box, rise: number): number[] {
  const [r, foot, spring, middle] = [x + w, y + h, y + rise, x + w / 2];
  const [kx, ky] = [(w / 2) * ROUND, rise * ROUND];
  return [
    ...[x, spring, x, spring, x, spring - ky],
    ...[middle, y, middle - kx, y, middle + kx, y],
    ...[r, spring, r, spring - ky, r, spring],
    ...cornerAt(r, foot),
    ...cornerAt(x, foot),
  ];
}

/** Points to a quarter of a curve: of a circle of 500 pt they stay within a twentieth of a point. */
const STEPS = 48;

/** The same edge as rings of points; curves by points on them. */
export function outlineOf(contour: Contour): Outline {
  if (contour.type === 'outline') return contour.outline;
  if (contour.type === 'path') return flatPath(contour.path);
  const { box } = contour;
  if (contour.type === 'rectangle' && contour.radius === 0) return boxOutline(box);
  const rx = contour.type === 'ellipse' ? box.w / 2 : contour.radius;
  const ry = contour.type === 'ellipse' ? box.h / 2 : contour.radius;
  const ring: number[] = [];
  const centres = [
    [box.x + box.w - rx, box.y + ry],
    [box.x + box.w - rx, box.y + box.h - ry],
    [box.x + rx, box.y + box.h - ry],
    [box.x + rx, box.y + ry],
  ] as const;
  centres.forEach(([cx, cy], quarter) => {
    for (let i = 0; i <= STEPS; i++) {
      const angle = ((quarter - 1) * Math.PI) / 2 + (i / STEPS) * (Math.PI / 2);
      ring.push(cx + rx * Math.cos(angle), cy + ry * Math.sin(angle));
    }
  });
  return [ring];
}

/** A contour as path data (SVG 1.1); ellipses and corners by cubic curves, four to the round. */
export function contourPath(contour: Contour, figure: (value: number) => string): string {
  if (contour.type === 'outline') return contour.outline.map((ring) => `M${ring.map(figure).join(' ')}Z`).join('');
  if (contour.type === 'path') return pathData(contour.path, figure);
  const { box } = contour;
  const rx = contour.type === 'ellipse' ? box.w / 2 : contour.radius;
  const ry = contour.type === 'ellipse' ? box.h / 2 : contour.radius;
  const r = box.x + box.w;
  const b = box.y + box.h;
  const f = (...values: number[]) => values.map(figure).join(' ');
  if (rx === 0) return `M${f(box.x, box.y)}L${f(r, box.y)}L${f(r, b)}L${f(box.x, b)}Z`;
  // A quarter of a circle by one cubic curve: handles of 4/3·(√2 − 1) of the radius.
  const k = (4 / 3) * (Math.SQRT2 - 1);
  const kx = rx * (1 - k);
  const ky = ry * (1 - k);
  return (
    `M${f(box.x + rx, box.y)}L${f(r - rx, box.y)}C${f(r - kx, box.y, r, box.y + ky, r, box.y + ry)}` +
    `L${f(r, b - ry)}C${f(r, b - ky, r - kx, b, r - rx, b)}L${f(box.x + rx, b)}` +
    `C${f(box.x + kx, b, box.x, b - ky, box.x, b - ry)}L${f(box.x, box.y + ry)}C${f(box.x, box.y + ky, box.x + kx, box.y, box.x + rx, box.y)}Z`
  );
}
