import { idSchema, lineSchema, orderSchema, recordSchema } from './common';
import Joi from 'joi';

export const pageSchema = recordSchema('page', {
  order: orderSchema.required(),
  master: idSchema.required(),
  name: lineSchema,
  recurs: Joi.valid('front', 'back'),
});
