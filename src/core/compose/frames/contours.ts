import type { Box } from '../../geometry/box';
import { laidOver, type Outline } from '../../geometry/outline';
import { cornerAt, flatPath, type Path, pathData, pathLaidOver, ROUND, straightPath } from '../../geometry/path';
import { grownOutline } from '../../geometry/shapes';
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

/** The points and curves of an edge, clockwise. */
export function pathOf(contour: Contour): Path {
  if (contour.type === 'path') return contour.path;
  if (contour.type === 'outline') return straightPath(contour.outline);
  const { box } = contour;
  if (contour.type === 'ellipse') return [ellipse(box)];
  const all: Corner = { form: contour.radius === 0 ? 'square' : 'rounded', size: contour.radius };
  return [withCorners({ topLeft: all, topRight: all, bottomRight: all, bottomLeft: all }, box)];
}

/** Four points with curves between them. */
function ellipse({ x, y, w, h }: Box): number[] {
  const [cx, cy, kx, ky] = [x + w / 2, y + h / 2, (w / 2) * ROUND, (h / 2) * ROUND];
  return [
    ...[cx, y, cx - kx, y, cx + kx, y],
    ...[x + w, cy, x + w, cy - ky, x + w, cy + ky],
    ...[cx, y + h, cx + kx, y + h, cx - kx, y + h],
    ...[x, cy, x, cy + ky, x, cy - ky],
  ];
}

/** The same edge as rings of points; curves by points on them. */
export const outlineOf = (contour: Contour): Outline =>
  contour.type === 'outline' ? contour.outline : flatPath(pathOf(contour));

/** An edge as path data (SVG 1.1); ellipses and corners by cubic curves, four to the round. */
export const contourPath = (contour: Contour, figure: (value: number) => string): string =>
  contour.type === 'outline'
    ? contour.outline.map((ring) => `M${ring.map(figure).join(' ')}Z`).join('')
    : pathData(pathOf(contour), figure);

/** An edge so far outside another one, or inside where it is negative; of a rectangle nothing less than nothing is left. */
export function grownContour(contour: Contour, by: number): Contour {
  if (contour.type !== 'rectangle') return { type: 'outline', outline: grownOutline(outlineOf(contour), by) };
  const { x, y, w, h } = contour.box;
  const [dx, dy] = [Math.max(by, -w / 2), Math.max(by, -h / 2)];
  const radius = contour.radius === 0 ? 0 : Math.max(0, contour.radius + by);
  return { type: 'rectangle', box: { x: x - dx, y: y - dy, w: w + 2 * dx, h: h + 2 * dy }, radius };
}
