import { contours } from 'd3-contour';
import { FEWEST_NUMBERS, MOST_NUMBERS, MOST_RINGS } from '../records/picture';
import { doubleArea, type Outline, simplified } from '../geometry/outline';

/** A picture's samples, row by row, for tracing. */
export interface Samples {
  readonly width: number;
  readonly height: number;
  /** One number a pixel, 0 to 255. */
  readonly values: Uint8Array;
}

/** Error of a traced outline, as a share of the picture's longer side. */
export const TRACE_TOLERANCE = 0.004;

/** Specks smaller than this share of the picture are not part of an outline. */
const SPECK = 0.0005;

/**
 * The outline of what is opaque, by marching squares (`d3-contour`) at a threshold, simplified, holes filled.
 * CSS Shapes 1 names the threshold `shape-image-threshold`.
 *
 * @param threshold 0 to 1
 * @returns rings in the unit square; undefined when everything, or nothing, is opaque
 */
export function traceAlpha(samples: Samples, threshold = 0.5): Outline | undefined {
  const { width, height, values } = samples;
  let opaque = 0;
  const limit = threshold * 255;
  for (const value of values) if (value >= limit) opaque++;
  if (opaque === 0 || opaque === values.length) return undefined;
  // A rim of nothing around the picture closes shapes that touch its edge.
  const padded = new Float64Array((width + 2) * (height + 2));
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) padded[(y + 1) * (width + 2) + x + 1] = values[y * width + x]!;
  const shape = contours()
    .size([width + 2, height + 2])
    .contour(Array.from(padded), limit);
  const rings: { readonly ring: number[]; readonly area: number }[] = [];
  const tolerance = TRACE_TOLERANCE * Math.max(width, height);
  for (const polygon of shape.coordinates) {
    // The first ring of a polygon is its border, the others are holes: text does not run inside them.
    const ring = polygon[0]!.slice(0, -1).flatMap(([x, y]) => [x! - 1, y! - 1]);
    const area = Math.abs(doubleArea(ring)) / 2;
    if (area < SPECK * width * height) continue;
    const own = simplifiedTo(ring, tolerance);
    // What is thinner than the tolerance is left with two corners.
    if (own.length < FEWEST_NUMBERS) continue;
    rings.push({ area, ring: own.map((value, i) => clamp(i % 2 === 0 ? value / width : value / height)) });
  }
  if (rings.length === 0) return undefined;
  if (rings.length > MOST_RINGS) rings.sort((a, b) => b.area - a.area).length = MOST_RINGS;
  return rings.map(({ ring }) => ring);
}

/** A ring with no more corners than it may have, as near to what it was as that allows. */
function simplifiedTo(ring: readonly number[], tolerance: number): number[] {
  let out = simplified(ring, tolerance);
  for (let wider = 2 * tolerance; out.length > MOST_NUMBERS; wider *= 2) out = simplified(ring, wider);
  return out;
}

const clamp = (value: number): number => Math.round(Math.max(0, Math.min(1, value)) * 1e5) / 1e5;

/** Three numbers a pixel: red, green, blue. */
export interface ColourSamples {
  readonly width: number;
  readonly height: number;
  readonly rgb: Uint8Array;
}

/** Share of the border that must be of one colour for a background to count as plain. */
const PLAIN_SHARE = 0.9;

/**
 * The outline of what stands before a plain background: the background is flooded from the border, as far as
 * pixels are within `tolerance` of the border's own middle colour (each channel, 0 to 255).
 *
 * @returns rings in the unit square; undefined when the border is not plain or nothing stands before it
 */
export function traceBackground(samples: ColourSamples, tolerance = 12): Outline | undefined {
  const { width, height, rgb } = samples;
  const border: number[] = [];
  for (let x = 0; x < width; x++) border.push(x, (height - 1) * width + x);
  for (let y = 1; y < height - 1; y++) border.push(y * width, y * width + width - 1);
  const middle = [0, 1, 2].map((channel) => {
    const sorted = border.map((i) => rgb[3 * i + channel]!).sort((a, b) => a - b);
    return sorted[sorted.length >> 1]!;
  });
  const isBackground = (i: number) =>
    Math.abs(rgb[3 * i]! - middle[0]!) <= tolerance &&
    Math.abs(rgb[3 * i + 1]! - middle[1]!) <= tolerance &&
    Math.abs(rgb[3 * i + 2]! - middle[2]!) <= tolerance;
  if (border.filter(isBackground).length < PLAIN_SHARE * border.length) return undefined;
  const values = new Uint8Array(width * height).fill(255);
  const stack = border.filter(isBackground);
  for (const i of stack) values[i] = 0;
  while (stack.length > 0) {
    const i = stack.pop()!;
    const x = i % width;
    for (const next of [x > 0 ? i - 1 : -1, x < width - 1 ? i + 1 : -1, i - width, i + width]) {
      if (next >= 0 && next < values.length && values[next] === 255 && isBackground(next)) {
        values[next] = 0;
        stack.push(next);
      }
    }
  }
  return traceAlpha({ width, height, values });
}
