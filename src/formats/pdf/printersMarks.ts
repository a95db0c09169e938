import { mm } from '@/core/length/length';
import type { PageStream } from './pageStream';

/** What stands around a page for those who print, fold and cut it. */
export interface PrintersMarks {
  /** Where it is cut. */
  readonly crop: boolean;
  /** Where a spread is folded. */
  readonly fold: boolean;
  /** Patches of the inks, by which the press is set. */
  readonly strip: boolean;
  /** A line of words at the foot: what it is, and when it was made. */
  readonly slug: boolean;
}

export const NO_MARKS: PrintersMarks = { crop: false, fold: false, strip: false, slug: false };

const GAP = mm(3);
const LENGTH = mm(5);
const WEIGHT = 0.25;
/** Of a patch of the ink strip, a side. */
const PATCH = mm(5);
/** From the bleed to the baseline of the slug line. */
const SLUG_DROP = mm(5.5);
export const SLUG_SIZE = 6.5;

/** Points from the trim at which marks begin: outside the bleed (common practice). */
const gapOf = (bleed: number): number => Math.max(bleed, GAP);

/** Points around the trim that a page and its marks take. */
export const rimOf = (bleed: number, marks: PrintersMarks): number =>
  Object.values(marks).some(Boolean) ? gapOf(bleed) + LENGTH + mm(2) : bleed;

/** A sheet with its trim, in points, and where it is folded. */
export interface MarkedSheet {
  readonly width: number;
  readonly height: number;
  readonly bleed: number;
  readonly folds: readonly number[];
}

/**
 * Draws marks around a trim, in the colour of all plates (ISO 32000-1, 8.6.6.4: the colorant “All”), which the stream's
 * resources hold as `All`.
 */
export function drawMarks(stream: PageStream, { width, height, bleed, folds }: MarkedSheet, marks: PrintersMarks): void {
  const from = gapOf(bleed);
  const to = from + LENGTH;
  stream.raw(`q /All CS 1 SCN ${WEIGHT} w`);
  if (marks.crop) {
    for (const x of [0, width]) {
      stream.stroke(x, -from, x, -to);
      stream.stroke(x, height + from, x, height + to);
    }
    for (const y of [0, height]) {
      stream.stroke(-from, y, -to, y);
      stream.stroke(width + from, y, width + to, y);
    }
  }
  if (marks.fold && folds.length > 0) {
    stream.raw('[2 1.5] 0 d');
    for (const x of folds) {
      stream.stroke(x, -from, x, -to);
      stream.stroke(x, height + from, x, height + to);
    }
    stream.raw('[] 0 d');
  }
  stream.raw('Q');
  if (marks.strip) {
    const top = height / 2 - (PATCHES.length * PATCH) / 2;
    PATCHES.forEach((inks, i) => {
      stream.rectangle({ x: -to, y: top + i * PATCH, w: LENGTH, h: PATCH }, 0, { cmyk: inks, rgb: '#000000' });
    });
  }
}

/** Each ink whole and half, and every two over one another (common practice). */
const PATCHES: readonly (readonly [number, number, number, number])[] = [
  [1, 0, 0, 0],
  [0, 1, 0, 0],
  [0, 0, 1, 0],
  [0, 0, 0, 1],
  [0.5, 0, 0, 0],
  [0, 0.5, 0, 0],
  [0, 0, 0.5, 0],
  [0, 0, 0, 0.5],
  [1, 1, 0, 0],
  [1, 0, 1, 0],
  [0, 1, 1, 0],
];

/** Where the words of a slug line stand: from the left trim, under the bleed. */
export function slugPlace({ height, bleed }: MarkedSheet): { readonly x: number; readonly baseline: number } {
  return { x: mm(4), baseline: height + gapOf(bleed) + SLUG_DROP };
}
