import { idSchema, lineSchema, orderSchema, recordSchema } from './common';
import Joi from 'joi';
import { STORY_STATES } from '../story';

export const storySchema = recordSchema('story', {
  name: lineSchema.required(),
  section: lineSchema.required(),
  order: orderSchema.required(),
  tint: Joi.number().integer().min(0).max(7).required(),
  parts: Joi.object({
    headline: idSchema.required(),
    body: idSchema.required(),
    standfirst: idSchema,
    byline: idSchema,
  }).required(),
  state: Joi.valid(...STORY_STATES),
  due: Joi.string().isoDate(),
  target: Joi.number().integer().min(1).max(1_000_000),
});
