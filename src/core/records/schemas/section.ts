import { idSchema, lineSchema, recordSchema } from './common';
import Joi from 'joi';
import { FOLIO_STYLES } from '../section';

export const sectionSchema = recordSchema('section', {
  name: lineSchema.required(),
  from: idSchema.required(),
  folios: Joi.object({
    style: Joi.valid(...FOLIO_STYLES).required(),
    prefix: Joi.string().allow('').max(8).required(),
    start: Joi.number().integer().min(1).max(9999).required(),
  }),
});
