import Joi from 'joi';
import { lineSchema, recordSchema, type RecordBase } from './common';

/** A colour by name, in the inks it prints in: cyan, magenta, yellow and black, each 0 to 1. */
export interface SwatchRecord extends RecordBase<'swatch'> {
  readonly name: string;
  readonly cmyk: readonly [number, number, number, number];
}

export const swatchSchema = recordSchema('swatch', {
  name: lineSchema.required(),
  cmyk: Joi.array().length(4).items(Joi.number().min(0).max(1)).required(),
});
