import type { Box } from '../../geometry/box';
import { boxOutline, doubleArea, type Outline } from '../../geometry/outline';
import { joinedAreas, lineArea } from '../../geometry/shapes';
import type { Border, LineEnd, RuleContent } from '../../records/frame';
import type { Contour } from '../displayList/displayList';
import { grownContour, outlineOf } from './contours';
import { ornamentLine } from './ornaments';

/** Something to be painted along an edge: a line so wide along it, or an area of its own where that is 0. */
export interface Stroke {
  readonly contour: Contour;
  readonly stroke: number;
}

/** Lengths in times the weight of their line. */
const DASH = 3;
const GAP = 2;
const DOT_STEP = 2;
const WAVE = { long: 6, high: 1.5 } as const;
/** A line of more pieces is drawn plain: they would be finer than any press prints. */
const MOST_PIECES = 4000;

/** What a border is painted as. */
export function borderStroke(contour: Contour, { weight, align, line }: Border): Stroke {
  const along = align ? grownContour(contour, align === 'inside' ? -weight / 2 : weight / 2) : contour;
  if (!line) return { contour: along, stroke: weight };
  const pieces = line === 'double' ? twice(along, weight) : pieced(line, outlineOf(along), weight, true);
  return pieces ? { contour: { type: 'outline', outline: pieces }, stroke: 0 } : { contour: along, stroke: weight };
}

/** Two lines of a third of the weight, at both of its edges: what lies between an odd number of them is painted. */
const twice = (along: Contour, weight: number): Outline =>
  [1 / 2, 1 / 6, -1 / 6, -1 / 2].flatMap((share) => outlineOf(grownContour(along, share * weight)));

const pieced = (line: 'dashed' | 'dotted', ways: Outline, weight: number, closed: boolean): Outline | undefined =>
  line === 'dashed' ? dashes(ways, weight, closed) : dots(ways, weight, closed);

/** What a rule is painted as, where it is more than its box. */
export function ruleOutline({ line, start, end }: RuleContent, box: Box): Outline | undefined {
  if (!line && !start && !end) return undefined;
  const upright = box.h > box.w;
  const [long, weight] = upright ? [box.h, box.w] : [box.w, box.h];
  const from = endLength(start, weight);
  const to = Math.max(from, long - endLength(end, weight));
  const body = ruleBody(line, from, to, weight);
  const ends = [endOutline(start, weight, 0, 1), endOutline(end, weight, long, -1)].filter((each) => each.length > 0);
  const all = ends.length > 0 ? joinedAreas([body, ...ends]) : body;
  const middle = weight / 2;
  // Along the line, and across it: the line's own x and y.
  return all.map((ring) => {
    const out = [...ring];
    for (let i = 0; i + 1 < ring.length; i += 2) {
      const [along, across] = [ring[i]!, ring[i + 1]! + middle];
      out[i] = box.x + (upright ? across : along);
      out[i + 1] = box.y + (upright ? along : across);
    }
    return out;
  });
}

function ruleBody(line: RuleContent['line'], from: number, to: number, weight: number): Outline {
  const way = [from, 0, to, 0];
  const plain = boxOutline({ x: from, y: -weight / 2, w: to - from, h: weight });
  switch (line) {
    case 'dashed':
    case 'dotted':
      return pieced(line, [way], weight, false) ?? plain;
    case 'double':
      return [-1, 1].flatMap((side) => boxOutline({ x: from, y: (side * weight) / 3 - weight / 6, w: to - from, h: weight / 3 }));
    case 'wavy':
      return wave(from, to, weight) ?? plain;
    case undefined:
      return plain;
    default:
      return ornamentLine(line, from, to, weight, MOST_PIECES) ?? plain;
  }
}

/** Steps that a wave is drawn in. */
const WAVE_STEPS = 16;

function wave(from: number, to: number, weight: number): Outline | undefined {
  const count = Math.max(1, Math.round((to - from) / (WAVE.long * weight)));
  if (count * WAVE_STEPS > MOST_PIECES * 4 || to <= from) return undefined;
  const way: number[] = [];
  for (let i = 0; i <= count * WAVE_STEPS; i++) {
    const angle = (2 * Math.PI * i) / WAVE_STEPS;
    way.push(from + ((to - from) * i) / (count * WAVE_STEPS), -WAVE.high * weight * Math.sin(angle));
  }
  return lineArea([way], weight);
}

/** The shortest that an end is drawn, points. */
const LEAST_END = 3;

const endSize = (weight: number): number => Math.max(LEAST_END, 2 * weight);

/** How much of a line its end takes the place of. */
const endLength = (end: LineEnd | undefined, weight: number): number =>
  end === 'arrow' ? 1.6 * endSize(weight) : end === 'dot' ? endSize(weight) / 2 : 0;

/** An end that stands at `x`. @param back the way from there along its line: 1 to the right, −1 to the left */
function endOutline(end: LineEnd | undefined, weight: number, x: number, back: 1 | -1): Outline {
  const size = endSize(weight);
  switch (end) {
    case 'arrow':
      return [clockwise([x, 0, x + back * 2 * size, -size, x + back * 1.6 * size, 0, x + back * 2 * size, size])];
    case 'dot':
      return [circle(x + (back * size) / 2, 0, size / 2 + weight / 2)];
    case 'bar':
      return boxOutline({ x: back === 1 ? x : x - weight, y: -size, w: weight, h: 2 * size });
    case undefined:
      return [];
  }
}

/** Rings that are joined all run the same way. */
function clockwise(ring: number[]): number[] {
  if (doubleArea(ring) > 0) return ring;
  const out: number[] = [];
  for (let i = ring.length - 2; i >= 0; i -= 2) out.push(ring[i]!, ring[i + 1]!);
  return out;
}

const ROUND_STEPS = 24;

const circle = (x: number, y: number, r: number): number[] =>
  Array.from({ length: ROUND_STEPS }, (_, i) => (2 * Math.PI * i) / ROUND_STEPS).flatMap((angle) => [
    x + r * Math.cos(angle),
    y + r * Math.sin(angle),
  ]);

interface Walk {
  readonly length: number;
  at(distance: number): readonly [number, number];
  /** The points of the way between two places on it. */
  between(from: number, to: number): number[];
}

/** A way measured along its points; closed, it leads back to its first. */
function walk(ring: readonly number[], closed: boolean): Walk {
  const xs: number[] = [];
  const ys: number[] = [];
  const far: number[] = [];
  let length = 0;
  const n = ring.length / 2;
  for (let i = 0; i < n + (closed ? 1 : 0); i++) {
    const [x, y] = [ring[2 * (i % n)]!, ring[2 * (i % n) + 1]!];
    if (i > 0) length += Math.hypot(x - xs[i - 1]!, y - ys[i - 1]!);
    xs.push(x);
    ys.push(y);
    far.push(length);
  }
  let hint = 1;
  const piece = (distance: number): number => {
    if (far[hint - 1]! > distance) hint = 1;
    while (hint < far.length - 1 && far[hint]! < distance) hint++;
    return hint;
  };
  const at = (distance: number): readonly [number, number] => {
    const i = piece(distance);
    const part = far[i]! - far[i - 1]!;
    const t = part === 0 ? 0 : Math.min(1, Math.max(0, (distance - far[i - 1]!) / part));
    return [xs[i - 1]! + t * (xs[i]! - xs[i - 1]!), ys[i - 1]! + t * (ys[i]! - ys[i - 1]!)];
  };
  return {
    length,
    at,
    between(from, to) {
      const out: number[] = [...at(from)];
      for (let i = piece(from); i < far.length && far[i]! < to; i++) if (far[i]! > from) out.push(xs[i]!, ys[i]!);
      out.push(...at(to));
      return out;
    },
  };
}

/** The dashes of ways as areas, a whole number of them along each; undefined where they are too many. */
function dashes(rings: Outline, weight: number, closed: boolean): Outline | undefined {
  const ways: number[][] = [];
  for (const ring of rings) {
    const own = walk(ring, closed);
    // An open line begins and ends with a dash, a closed one goes on in a gap.
    const count = Math.max(1, Math.round((own.length + (closed ? 0 : GAP * weight)) / ((DASH + GAP) * weight)));
    if (ways.length + count > MOST_PIECES) return undefined;
    const step = closed ? own.length / count : (own.length * (DASH + GAP)) / (count * (DASH + GAP) - GAP);
    for (let i = 0; i < count; i++) ways.push(own.between(i * step, i * step + (step * DASH) / (DASH + GAP)));
  }
  return lineArea(ways, weight);
}

/** The dots of ways; undefined where they are too many. */
function dots(rings: Outline, weight: number, closed: boolean): Outline | undefined {
  const out: number[][] = [];
  for (const ring of rings) {
    const own = walk(ring, closed);
    const long = closed ? own.length : own.length - weight;
    const count = Math.max(1, Math.round(long / (DOT_STEP * weight)));
    if (out.length + count > MOST_PIECES) return undefined;
    for (let i = 0; i < count + (closed ? 0 : 1); i++) {
      const [x, y] = own.at((closed ? 0 : weight / 2) + (i * long) / count);
      out.push(circle(x, y, weight / 2));
    }
  }
  return out;
}
