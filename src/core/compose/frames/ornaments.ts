import type { Outline } from '../../geometry/outline';
import type { Ornament } from '../../records/frame';

/** Straight pieces that a half circle is drawn in. */
const STEPS = 12;

/** Points of an arc about a middle, angles in half turns. */
function arc(x: number, y: number, r: number, from: number, to: number): number[] {
  const out: number[] = [];
  for (let i = 0; i <= STEPS; i++) {
    const angle = Math.PI * (from + ((to - from) * i) / STEPS);
    out.push(x + r * Math.cos(angle), y + r * Math.sin(angle));
  }
  return out;
}

/** A star of so many points about a middle. */
function star(points: number, outer: number, inner: number): number[] {
  const out: number[] = [];
  for (let i = 0; i < 2 * points; i++) {
    const angle = (Math.PI * i) / points - Math.PI / 2;
    const r = i % 2 === 0 ? outer : inner;
    out.push(r * Math.cos(angle), r * Math.sin(angle));
  }
  return out;
}

/** A pointed leaf that lies along a line, between two arcs. */
const leaf = (): number[] => [...arc(0, 0.6, 0.78, 1.28, 1.72), ...arc(0, -0.6, 0.78, 0.28, 0.72)];

interface Drawn {
  /** About its middle, one high at most. */
  readonly outline: Outline;
  /** From one to the next. */
  readonly step: number;
}

/** Ornaments that rules are set of: each as high as the rule, and how far from one another they stand. */
export const ORNAMENTS_DRAWN: Readonly<Record<Ornament, Drawn>> = {
  diamonds: { outline: [[0, -0.5, 0.32, 0, 0, 0.5, -0.32, 0]], step: 1.05 },
  kites: { outline: [[-0.5, 0, -0.14, -0.36, 0.5, 0, -0.14, 0.36]], step: 1.35 },
  stars: { outline: [star(5, 0.5, 0.2)], step: 1.3 },
  leaves: { outline: [leaf()], step: 1.25 },
  rings: { outline: [arc(0, 0, 0.5, 0, 2), arc(0, 0, 0.3, 2, 0)], step: 1.2 },
  teeth: { outline: [[-0.5, 0.5, 0, -0.5, 0.5, 0.5]], step: 1 },
};

/** A rule of an ornament between two places of its line, a whole number of them; undefined where they are too many. */
export function ornamentLine(ornament: Ornament, from: number, to: number, weight: number, most: number): Outline | undefined {
  const { outline, step } = ORNAMENTS_DRAWN[ornament];
  const long = to - from;
  if (long <= 0 || weight <= 0) return undefined;
  // They fill the line from end to end: the first and last stand half of one in.
  const count = Math.max(1, 1 + Math.round((long - weight) / (step * weight)));
  if (count > most) return undefined;
  const gap = count > 1 ? (long - weight) / (count - 1) : 0;
  const out: number[][] = [];
  for (let i = 0; i < count; i++) {
    const middle = count > 1 ? from + weight / 2 + i * gap : (from + to) / 2;
    for (const ring of outline) out.push(ring.map((value, k) => (k % 2 === 0 ? middle + value * weight : value * weight)));
  }
  return out;
}
