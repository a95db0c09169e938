import Joi from 'joi';
import { lineSchema, orderSchema, recordSchema } from './common';

const outline = Joi.array()
  .max(200)
  .items(Joi.array().min(6).max(4000).items(Joi.number().min(-1).max(2)));

export const pictureSchema = recordSchema('picture', {
  name: lineSchema.required(),
  order: orderSchema.required(),
  blob: Joi.string().hex().length(64).required(),
  media: Joi.valid('image/jpeg', 'image/png', 'image/webp', 'image/svg+xml').required(),
  width: Joi.number().positive().max(100000).required(),
  height: Joi.number().positive().max(100000).required(),
  colour: Joi.valid('rgb', 'cmyk', 'grey').required(),
  transparent: Joi.boolean().required(),
  outlines: Joi.object({ alpha: outline, background: outline }).required(),
  caption: Joi.string().allow('').max(2000).required(),
  credit: lineSchema.required(),
});
