import { Parser } from 'htmlparser2';
import svgpath from 'svgpath';
import { cornerAt, type Path, PER_POINT, ROUND } from '@/core/geometry/path';

/** The most points that a drawing is read with. */
export const MOST_DRAWN = 20_000;
/** CSS pixels are 96 to the inch, points 72. */
const POINTS_TO_PIXEL = 0.75;

/** Why words are no drawing that a frame could be made of, in a sentence. */
export class DrawingError extends Error {}

/** Whether words are path data or a drawing, rather than copy. */
export const isDrawn = (words: string): boolean =>
  /^\s*(?:<\?xml[^>]*>\s*)?(?:<!--[^]*?-->\s*)*<svg[\s/>]/i.test(words) ||
  /^\s*[Mm]\s*[-+.\d][\d\s,.eE+\-MmLlHhVvCcSsQqTtAaZz]*$/.test(words);

/**
 * The form of a drawing: path data (SVG 1.1, 8.3), or the paths and plain shapes of an SVG. Open paths are closed.
 *
 * @returns rings in points
 * @throws DrawingError with a sentence
 */
export function drawnPath(words: string): Path {
  const data = /^\s*[Mm]/.test(words) ? [{ d: words, transform: '' }] : shapesOf(words);
  const rings: number[][] = [];
  let count = 0;
  for (const { d, transform } of data) {
    const path = svgpath(d).transform(transform).abs().unarc().unshort();
    if ((path as unknown as { err?: string }).err)
      throw new DrawingError('That path cannot be read: its data breaks off or is misspelt.');
    for (const ring of ringsOf(path as unknown as { segments: Segment[] })) {
      count += ring.length / PER_POINT;
      if (count > MOST_DRAWN)
        throw new DrawingError('That drawing has more than 20,000 points. Simplify it, or bring it in as a picture.');
      rings.push(ring.map((value) => value * POINTS_TO_PIXEL));
    }
  }
  if (rings.length === 0) throw new DrawingError('That drawing has no form in it that a frame could take.');
  return rings;
}

type Segment = [string, ...number[]];

function ringsOf({ segments }: { segments: Segment[] }): number[][] {
  const out: number[][] = [];
  let ring: number[] = [];
  let [x, y] = [0, 0];
  let [startX, startY] = [0, 0];
  const finish = () => {
    const last = ring.length - PER_POINT;
    // What ends where it began has that point once, with the handle that came to it.
    if (last >= PER_POINT && Math.hypot(ring[last]! - ring[0]!, ring[last + 1]! - ring[1]!) < 1e-6) {
      ring[2] = ring[last + 2]!;
      ring[3] = ring[last + 3]!;
      ring.length = last;
    }
    if (ring.length >= 2 * PER_POINT) out.push(ring);
    ring = [];
  };
  const begin = () => {
    if (ring.length === 0) ring.push(...cornerAt(x, y));
  };
  const curve = (x1: number, y1: number, x2: number, y2: number, toX: number, toY: number) => {
    begin();
    ring[ring.length - 2] = x1;
    ring[ring.length - 1] = y1;
    ring.push(toX, toY, x2, y2, toX, toY);
    [x, y] = [toX, toY];
  };
  const line = (toX: number, toY: number) => {
    begin();
    ring.push(...cornerAt(toX, toY));
    [x, y] = [toX, toY];
  };
  for (const [kind, ...v] of segments) {
    switch (kind) {
      case 'M':
        finish();
        [x, y] = [v[0]!, v[1]!];
        [startX, startY] = [x, y];
        break;
      case 'L':
        line(v[0]!, v[1]!);
        break;
      case 'H':
        line(v[0]!, y);
        break;
      case 'V':
        line(x, v[0]!);
        break;
      case 'C':
        curve(v[0]!, v[1]!, v[2]!, v[3]!, v[4]!, v[5]!);
        break;
      case 'Q': {
        // A quadratic curve as a cubic one: its handles are two thirds of the way to the one it has.
        const [qx, qy, toX, toY] = [v[0]!, v[1]!, v[2]!, v[3]!];
        curve(x + (2 / 3) * (qx - x), y + (2 / 3) * (qy - y), toX + (2 / 3) * (qx - toX), toY + (2 / 3) * (qy - toY), toX, toY);
        break;
      }
      case 'Z':
        finish();
        [x, y] = [startX, startY];
    }
  }
  finish();
  return out;
}

/** The paths and plain shapes of a drawing, each with the transforms around it. */
function shapesOf(words: string): { readonly d: string; readonly transform: string }[] {
  const out: { d: string; transform: string }[] = [];
  const transforms: string[] = [];
  /** How deep in what is only defined, not drawn. */
  let defined = 0;
  const parser = new Parser(
    {
      onopentag(name, attributes) {
        if (DEFINES.has(name)) defined++;
        const transform = [...transforms, attributes['transform'] ?? ''].filter(Boolean).join(' ');
        transforms.push(attributes['transform'] ?? '');
        const d = defined > 0 ? undefined : dataOf(name, attributes);
        if (d) out.push({ d, transform });
      },
      onclosetag(name) {
        if (DEFINES.has(name)) defined--;
        transforms.pop();
      },
    },
    { xmlMode: true },
  );
  parser.end(words);
  return out;
}

const DEFINES: ReadonlySet<string> = new Set(['defs', 'clipPath', 'mask', 'symbol', 'pattern', 'marker']);

function dataOf(name: string, attributes: Readonly<Record<string, string>>): string | undefined {
  const number = (key: string) => Number.parseFloat(attributes[key] ?? '0') || 0;
  switch (name) {
    case 'path':
      return attributes['d'];
    case 'rect': {
      const [x, y, w, h] = [number('x'), number('y'), number('width'), number('height')];
      return w > 0 && h > 0 ? `M${x} ${y}h${w}v${h}h${-w}z` : undefined;
    }
    case 'circle':
    case 'ellipse': {
      const [rx, ry] = name === 'circle' ? [number('r'), number('r')] : [number('rx'), number('ry')];
      const [cx, cy, kx, ky] = [number('cx'), number('cy'), rx * ROUND, ry * ROUND];
      if (rx <= 0 || ry <= 0) return undefined;
      return (
        `M${cx} ${cy - ry}C${cx + kx} ${cy - ry} ${cx + rx} ${cy - ky} ${cx + rx} ${cy}` +
        `C${cx + rx} ${cy + ky} ${cx + kx} ${cy + ry} ${cx} ${cy + ry}` +
        `C${cx - kx} ${cy + ry} ${cx - rx} ${cy + ky} ${cx - rx} ${cy}C${cx - rx} ${cy - ky} ${cx - kx} ${cy - ry} ${cx} ${cy - ry}Z`
      );
    }
    case 'polygon':
    case 'polyline':
      return attributes['points'] ? `M${attributes['points']}Z` : undefined;
    default:
      return undefined;
  }
}
