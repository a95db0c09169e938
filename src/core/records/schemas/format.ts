import { pointsSchema, recordSchema, sizeSchema } from './common';
import Joi from 'joi';

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
