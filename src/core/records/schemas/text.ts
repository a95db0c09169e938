import Joi from 'joi';
import { bodyOf } from '../body';
import { idSchema, recordSchema } from './common';

/** A body says itself what it may hold: see `bodySchema`. */
export const textSchema = recordSchema('text', {
  role: Joi.valid('headline', 'standfirst', 'byline', 'body', 'caption', 'credit', 'quote', 'furniture').required(),
  story: idSchema,
  body: Joi.object()
    .required()
    .custom((json: unknown, helpers) => {
      try {
        bodyOf(json as never);
        return json;
      } catch (error) {
        return helpers.error('any.invalid', { why: (error as Error).message });
      }
    })
    .messages({ 'any.invalid': '{{#label}} is not well formed ({{#why}})' }),
  source: Joi.object({ text: idSchema.required(), words: Joi.string().max(5000).required() }),
});
