import { idSchema, lineSchema, pointsSchema, recordSchema, sizeSchema } from './common';
import Joi from 'joi';

export const masterSchema = recordSchema('master', {
  name: lineSchema.required(),
  margins: Joi.object({
    top: sizeSchema.required(),
    bottom: sizeSchema.required(),
    inner: sizeSchema.required(),
    outer: sizeSchema.required(),
  }).required(),
  columns: Joi.number().integer().min(1).max(40).required(),
  gutter: sizeSchema.required(),
  widths: Joi.array().max(40).items(Joi.number().positive().max(10_000)),
  rows: Joi.object({
    count: Joi.number().integer().min(1).max(100).required(),
    gutterLines: Joi.number().integer().min(0).max(20).required(),
  }),
  guides: Joi.array()
    .max(200)
    .items(
      Joi.object({
        direction: Joi.valid('upright', 'level').required(),
        within: Joi.valid('page', 'area').required(),
        at: Joi.alternatives(
          Joi.object({ points: pointsSchema.required() }),
          Joi.object({ share: Joi.number().min(0).max(1).required() }),
        ).required(),
      }),
    ),
  textSpan: Joi.number().integer().min(1).max(40).required(),
  basedOn: idSchema,
});
