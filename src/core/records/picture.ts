import Joi from 'joi';
import type { Outline } from '../geometry/outline';
import { lineSchema, orderSchema, recordSchema, type RecordBase } from './common';

/** A picture the issue owns. The file itself is a blob, named by its SHA-256. */
export interface PictureRecord extends RecordBase<'picture'> {
  readonly name: string;
  readonly order: string;
  readonly blob: string;
  readonly media: 'image/jpeg' | 'image/png' | 'image/webp' | 'image/svg+xml';
  /** Pixels; for SVG the size it asks for. */
  readonly width: number;
  readonly height: number;
  readonly colour: 'rgb' | 'cmyk' | 'grey';
  readonly transparent: boolean;
  /** Traced outlines in the unit square of the picture. */
  readonly outlines: { readonly alpha?: Outline | undefined; readonly background?: Outline | undefined };
  readonly caption: string;
  readonly credit: string;
}

const outline = Joi.array()
  .max(200)
  .items(Joi.array().min(6).max(4000).items(Joi.number().min(-1).max(2)));

export const pictureSchema = recordSchema('picture', {
  name: lineSchema.required(),
  order: orderSchema.required(),
  blob: Joi.string().hex().length(64).required(),
  media: Joi.valid('image/jpeg', 'image/png', 'image/webp', 'image/svg+xml').required(),
  width: Joi.number().positive().max(100000).required(),
  height: Joi.number().positive().max(100000).required(),
  colour: Joi.valid('rgb', 'cmyk', 'grey').required(),
  transparent: Joi.boolean().required(),
  outlines: Joi.object({ alpha: outline, background: outline }).required(),
  caption: Joi.string().allow('').max(2000).required(),
  credit: lineSchema.required(),
});
