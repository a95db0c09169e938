import Joi from 'joi';
import { lineSchema, recordSchema } from './common';
import { ROLES } from '../swatch';

const cmyk = Joi.array().length(4).items(Joi.number().min(0).max(1)).required();

export const swatchSchema = recordSchema('swatch', {
  name: lineSchema.required(),
  cmyk,
  rgb: Joi.array().length(3).items(Joi.number().min(0).max(1)),
  role: Joi.valid(...ROLES),
});

export const paletteSchema = recordSchema('palette', {
  name: lineSchema.required(),
  colours: Joi.object(Object.fromEntries(ROLES.map((role) => [role, cmyk]))).required(),
});
