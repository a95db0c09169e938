import Joi from 'joi';
import { pointsSchema, recordSchema, sizeSchema, type RecordBase } from './common';

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
}

export const formatSchema = recordSchema('format', {
  width: Joi.number().min(36).max(10000).required(),
  height: Joi.number().min(36).max(10000).required(),
  bleed: sizeSchema.required(),
  safe: sizeSchema.required(),
  facing: Joi.boolean().required(),
  firstSide: Joi.valid('left', 'right').required(),
  pattern: Joi.valid('mirrored', 'repeated'),
  binding: Joi.object({
    kind: Joi.valid('stitched', 'bound').required(),
    signature: Joi.valid(4, 8, 16, 32).required(),
  }),
  baseline: Joi.object({ step: Joi.number().min(2).max(400).required(), offset: pointsSchema.required() }).required(),
});
