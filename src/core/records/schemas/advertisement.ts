import { idSchema, lineSchema, orderSchema, recordSchema } from './common';
import Joi from 'joi';
import { ADVERTISEMENT_SIZES } from '../advertisement';

export const advertisementSchema = recordSchema('advertisement', {
  name: lineSchema.required(),
  order: orderSchema.required(),
  size: Joi.valid(...ADVERTISEMENT_SIZES).required(),
  lines: Joi.number().integer().min(1).max(400),
  picture: idSchema,
});
