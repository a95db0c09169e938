import { idSchema, languageSchema, lineSchema, recordSchema } from './common';
import Joi from 'joi';

export const issueSchema = recordSchema('issue', {
  publication: lineSchema.required(),
  number: lineSchema.required(),
  season: lineSchema.required(),
  date: Joi.string().isoDate().required(),
  language: languageSchema.required(),
  house: Joi.object({
    seq: Joi.number().integer().min(0).required(),
    settled: Joi.object().pattern(idSchema, Joi.number().integer().min(0)).required(),
  }),
});
