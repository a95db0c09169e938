import Joi from 'joi';
import { lineSchema, recordSchema, sizeSchema, type RecordBase } from './common';

/** A master page: the grid of the pages that use it. Its own frames are frame records that lie `on` it. */
export interface MasterRecord extends RecordBase<'master'> {
  readonly name: string;
  /** Points from the trim; inner is the side of the spine, so left and right pages mirror. */
  readonly margins: { readonly top: number; readonly bottom: number; readonly inner: number; readonly outer: number };
  readonly columns: number;
  readonly gutter: number;
  /** Grid columns that one column of body text takes: 2 of 6, say, for three columns of text. */
  readonly textSpan: number;
}

export const masterSchema = recordSchema('master', {
  name: lineSchema.required(),
  margins: Joi.object({
    top: sizeSchema.required(),
    bottom: sizeSchema.required(),
    inner: sizeSchema.required(),
    outer: sizeSchema.required(),
  }).required(),
  columns: Joi.number().integer().min(1).max(40).required(),
  gutter: sizeSchema.required(),
  textSpan: Joi.number().integer().min(1).max(40).required(),
});
