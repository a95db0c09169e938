import Joi from 'joi';
import { lineSchema, recordSchema, type RecordBase } from './common';

/** What a house knows of its publication beside its design; its id is always `details`. */
export interface DetailsRecord extends RecordBase<'details'> {
  /** BCP 47: the language its texts are in unless they say otherwise. */
  readonly language: string;
  readonly strapline: string;
}

export const detailsSchema = recordSchema('details', {
  language: Joi.string().max(20).required(),
  strapline: lineSchema.required(),
});
