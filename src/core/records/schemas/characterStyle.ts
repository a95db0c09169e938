import Joi from 'joi';
import { idSchema, languageSchema, lineSchema, pointsSchema, recordSchema, sizeSchema } from './common';

export const tintSchema = Joi.number().min(0).max(1);

export const strokeSchema = Joi.object({
  weight: sizeSchema.required(),
  swatch: idSchema.required(),
  tint: tintSchema.required(),
});

export const characterFields: Joi.SchemaMap = {
  family: lineSchema,
  weight: Joi.number().min(100).max(900),
  italic: Joi.boolean(),
  size: Joi.number().min(1).max(2000),
  tracking: Joi.number().min(-500).max(2000),
  kerning: Joi.boolean(),
  letterCase: Joi.valid('typed', 'upper', 'lower', 'smallCapitals', 'allSmallCapitals'),
  figures: Joi.valid('usual', 'lining', 'oldStyle'),
  figureWidth: Joi.valid('usual', 'proportional', 'tabular'),
  position: Joi.valid('normal', 'superscript', 'subscript'),
  features: Joi.array()
    .max(20)
    .items(Joi.string().pattern(/^-?[A-Za-z0-9]{4}$/)),
  underline: Joi.boolean(),
  strike: Joi.boolean(),
  rise: pointsSchema,
  swatch: idSchema,
  tint: tintSchema,
  letterOutline: strokeSchema.allow(null),
  language: languageSchema.allow(''),
};

export const characterStyleSchema = recordSchema('characterStyle', {
  name: lineSchema.required(),
  basedOn: idSchema,
  properties: Joi.object(characterFields).required(),
});
