import {
  type Against,
  alignFrames,
  type Direction,
  distributeFrames,
  type Edge,
  matchSizes,
  type Measure,
  swapFrames,
} from '@/core/actions/arranging';
import type { Diff } from '@/core/records/diff';
import type { Document } from '@/core/records/document';

/** What frames are arranged by, beside what is chosen. */
export interface Terms {
  readonly against: Against;
  /** Points between frames in a row; undefined where the gaps are only to be equal. */
  readonly gap: number | undefined;
}

export const USUAL_TERMS: Terms = { against: 'together', gap: undefined };

/** A way to arrange what is chosen. */
export interface Arrangement {
  readonly id: string;
  readonly name: string;
  /** Frames that it takes at least. */
  readonly least: number;
  /** @throws ActionError with a sentence where it cannot be */
  readonly run: (document: Document, ids: readonly string[], terms: Terms) => Diff;
}

const align = (edge: Edge, name: string): Arrangement => ({
  id: `align-${edge}`,
  name,
  least: 1,
  run: (document, ids, { against }) => alignFrames(document, ids, edge, against),
});

const distribute = (direction: Direction, name: string): Arrangement => ({
  id: `gaps-${direction}`,
  name,
  least: 2,
  run: (document, ids, { gap }) => distributeFrames(document, ids, direction, gap),
});

const match = (of: Measure, name: string): Arrangement => ({
  id: `match-${of}`,
  name,
  least: 2,
  run: (document, ids) => matchSizes(document, ids, of),
});

/** Lays edges and middles on one line. */
export const ALIGNMENTS: readonly Arrangement[] = [
  align('left', 'Align left edges'),
  align('centre', 'Align centres'),
  align('right', 'Align right edges'),
  align('top', 'Align tops'),
  align('middle', 'Align middles'),
  align('bottom', 'Align feet'),
];

/** Sets gaps between frames. */
export const SPACINGS: readonly Arrangement[] = [
  distribute('across', 'Set the gaps across'),
  distribute('down', 'Set the gaps down'),
];

export const MATCHES: readonly Arrangement[] = [
  match('width', 'As wide as the first'),
  match('height', 'As high as the first'),
  match('both', 'As large as the first'),
];

export const SWAP: Arrangement = { id: 'swap', name: 'Change places', least: 2, run: swapFrames };

/** All of them, as the command bar lists them. */
export const ARRANGEMENTS: readonly Arrangement[] = [...ALIGNMENTS, ...SPACINGS, ...MATCHES, SWAP];

/** What frames can be aligned to, in words. */
export const AGAINST_WORDS: Readonly<Record<Against, string>> = {
  together: 'one another',
  first: 'the first chosen',
  page: 'the page',
  area: 'the type area',
  column: 'their columns',
  baseline: 'the baseline grid',
};
