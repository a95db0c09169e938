import type { Outline } from '../../geometry/outline';
import type { Shaper } from '../../type/shaper';
import { runWidth, type TextItem } from '../displayList/displayList';

/** Straight pieces that a curve of a letter is taken in. */
const STEPS = 6;

/** The letters of a text as outlines, in the item's own coordinates: what text beside them runs around. */
export function glyphOutlines(item: TextItem, shaper: Shaper): Outline {
  const rings: number[][] = [];
  for (const { lines } of item.columns) {
    for (const line of lines) {
      for (const run of line.runs) {
        const { font } = shaper.face(run.look.face);
        const { scale } = run.look;
        const across = scale * line.glyphScale;
        let x = line.x + run.x;
        const y = line.baseline + run.drop - run.look.rise;
        const n = run.shaped.glyphs.length;
        const extra = n > 0 ? (runWidth(run, line) - run.shaped.width * across) / n : 0;
        for (let i = 0; i < n; i++) {
          const dx = (run.shaped.offsets?.[2 * i] ?? 0) * across;
          const dy = (run.shaped.offsets?.[2 * i + 1] ?? 0) * scale;
          for (const ring of flattened(font.glyphToJson(run.shaped.glyphs[i]!))) {
            rings.push(ring.map((value, k) => (k % 2 === 0 ? x + dx + value * across : y - dy - value * scale)));
          }
          x += run.shaped.advances[i]! * across + extra;
        }
      }
    }
  }
  return rings;
}

function flattened(commands: readonly { type: string; values: number[] }[]): number[][] {
  const rings: number[][] = [];
  let ring: number[] = [];
  for (const { type, values } of commands) {
    const [x0, y0] = [ring[ring.length - 2] ?? 0, ring[ring.length - 1] ?? 0];
    if (type === 'M') {
      if (ring.length >= 6) rings.push(ring);
      ring = [...values];
    } else if (type === 'L') ring.push(values[0]!, values[1]!);
    else if (type === 'Q') {
      const [x1, y1, x2, y2] = values as [number, number, number, number];
      for (let i = 1; i <= STEPS; i++) {
        const t = i / STEPS;
        const u = 1 - t;
        ring.push(u * u * x0 + 2 * u * t * x1 + t * t * x2, u * u * y0 + 2 * u * t * y1 + t * t * y2);
      }
    } else if (type === 'C') {
      const [x1, y1, x2, y2, x3, y3] = values as [number, number, number, number, number, number];
      for (let i = 1; i <= STEPS; i++) {
        const t = i / STEPS;
        const u = 1 - t;
        const of = (p: number, q: number, r: number, s: number) =>
          u ** 3 * p + 3 * u * u * t * q + 3 * u * t * t * r + t ** 3 * s;
        ring.push(of(x0, x1, x2, x3), of(y0, y1, y2, y3));
      }
    }
  }
  if (ring.length >= 6) rings.push(ring);
  return rings;
}
