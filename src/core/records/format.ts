import type { RecordBase } from './common';
import { type CaptionHabit, CAPTIONS } from '../properties/captions';
import { BASELINE, PAPER } from '../properties/sheet';
import { type Kind, maybe, oneOf, parts, said, YES_OR_NO } from './kind';

/** The paper of a document; its id is always `format`. Lengths in points. */
export interface FormatRecord extends RecordBase<'format'> {
  readonly width: number;
  readonly height: number;
  readonly bleed: number;
  readonly safe: number;
  readonly facing: boolean;
  /** The side of the spine on which page 1 lies. */
  readonly firstSide: 'left' | 'right';
  /** Left pages mirror right ones; or they repeat them, for an asymmetric look. Mirrored when not said. */
  readonly pattern?: 'mirrored' | 'repeated' | undefined;
  /** How the pages are held together, and how many are printed on one sheet. Stitched, of 16, when not said. */
  readonly binding?: { readonly kind: 'stitched' | 'bound'; readonly signature: 4 | 8 | 16 | 32 } | undefined;
  /** The baseline grid: `step` apart, the first line of the type area at its top plus `offset`. */
  readonly baseline: { readonly step: number; readonly offset: number };
  /** How captions and credits are set beside pictures; as is usual when not said. */
  readonly captions?: CaptionHabit | undefined;
}

export const FORMAT: Kind<FormatRecord> = {
  called: 'format',
  offered: 'Format',
  fields: {
    ...said(PAPER),
    facing: YES_OR_NO,
    firstSide: oneOf('left', 'right'),
    pattern: maybe(oneOf('mirrored', 'repeated')),
    binding: maybe(parts({ kind: oneOf('stitched', 'bound'), signature: oneOf(4, 8, 16, 32) })),
    baseline: parts(said(BASELINE)),
    captions: maybe(parts(said(CAPTIONS))),
  },
};
