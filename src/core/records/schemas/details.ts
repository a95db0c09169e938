import Joi from 'joi';
import { languageSchema, recordSchema } from './common';
import { DETAIL_NAMES } from '../details';

const words = Joi.string().allow('').max(2000).required();

export const detailsSchema = recordSchema('details', {
  language: languageSchema.required(),
  ...Object.fromEntries(DETAIL_NAMES.map((name) => [name, words])),
});
