import Joi from 'joi';
import { idSchema, lineSchema, pointsSchema, recordSchema, sizeSchema, type RecordBase } from './common';

/** What a paragraph style can say; what it leaves out comes from the style it is based on. Lengths in points. */
export interface ParagraphProperties {
  readonly family: string;
  /** CSS weight, 100 to 900. */
  readonly weight: number;
  readonly italic: boolean;
  readonly size: number;
  readonly leading: number;
  /** Thousandths of an em added after every glyph. */
  readonly tracking: number;
  /** OpenType feature tags switched on, beside the face's defaults. */
  readonly features: readonly string[];
  readonly swatch: string;
  readonly tint: number;
  readonly align: 'justify' | 'left' | 'centre' | 'right';
  readonly breaking: 'total-fit' | 'first-fit';
  readonly hyphens: boolean;
  readonly spaceBefore: number;
  readonly spaceAfter: number;
  readonly firstIndent: number;
  readonly leftIndent: number;
  readonly onGrid: boolean;
  readonly orphans: number;
  readonly widows: number;
  /** Lines of the next paragraph that must stand under this one in the same column. */
  readonly keepNext: number;
  readonly keepTogether: boolean;
  /** Word space as shares of the face's own: least, and most before a line counts as loose. */
  readonly wordSpace: { readonly least: number; readonly most: number };
}

export interface ParagraphStyleRecord extends RecordBase<'paragraphStyle'> {
  readonly name: string;
  readonly basedOn?: string | undefined;
  readonly properties: Partial<ParagraphProperties>;
}

export const paragraphStyleSchema = recordSchema('paragraphStyle', {
  name: lineSchema.required(),
  basedOn: idSchema,
  properties: Joi.object({
    family: lineSchema,
    weight: Joi.number().min(100).max(900),
    italic: Joi.boolean(),
    size: Joi.number().min(1).max(2000),
    leading: Joi.number().min(1).max(4000),
    tracking: Joi.number().min(-500).max(2000),
    features: Joi.array().max(20).items(Joi.string().length(4)),
    swatch: idSchema,
    tint: Joi.number().min(0).max(1),
    align: Joi.valid('justify', 'left', 'centre', 'right'),
    breaking: Joi.valid('total-fit', 'first-fit'),
    hyphens: Joi.boolean(),
    spaceBefore: sizeSchema,
    spaceAfter: sizeSchema,
    firstIndent: pointsSchema,
    leftIndent: sizeSchema,
    onGrid: Joi.boolean(),
    orphans: Joi.number().integer().min(1).max(20),
    widows: Joi.number().integer().min(1).max(20),
    keepNext: Joi.number().integer().min(0).max(20),
    keepTogether: Joi.boolean(),
    wordSpace: Joi.object({ least: Joi.number().min(0.1).max(1).required(), most: Joi.number().min(1).max(5).required() }),
  }).required(),
});
