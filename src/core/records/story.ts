import Joi from 'joi';
import { idSchema, lineSchema, orderSchema, recordSchema, type RecordBase } from './common';

/** A story: its name, and the texts that are its parts. */
export interface StoryRecord extends RecordBase<'story'> {
  readonly name: string;
  readonly section: string;
  readonly order: string;
  /** Which of the eight story tints marks it in plan and page line, 0 to 7. */
  readonly tint: number;
  readonly parts: {
    readonly headline: string;
    readonly body: string;
    readonly standfirst?: string | undefined;
    readonly byline?: string | undefined;
  };
}

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
});
