import type { Box } from '../../geometry/box';
import { boxOutline, laidOver, type Outline } from '../../geometry/outline';
import type { Shape } from '../../records/frame';
import type { Contour } from '../displayList/displayList';

/** The edge of a shape that fills a box. */
export function contourOf(shape: Shape | undefined, box: Box): Contour {
  if (shape?.type === 'ellipse') return { type: 'ellipse', box };
  if (shape?.type === 'polygon') return { type: 'outline', outline: laidOver([shape.points], box) };
  const radius = shape?.type === 'rounded' ? Math.min(shape.radius, box.w / 2, box.h / 2) : 0;
  return { type: 'rectangle', box, radius };
}

/** Points to a quarter of a curve: of a circle of 500 pt they stay within a twentieth of a point. */
const STEPS = 48;

/** The same edge as rings of points; curves by points on them. */
export function outlineOf(contour: Contour): Outline {
  if (contour.type === 'outline') return contour.outline;
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
