import Joi from 'joi';
import { generateKeyBetween } from 'fractional-indexing';
import { isLanguage } from '../language';

/** Ids are made by `nanoid` or are short words in documents that ship with the application. */
export const idSchema = Joi.string()
  .pattern(/^[A-Za-z0-9_-]{1,40}$/)
  .messages({ 'string.pattern.base': '{{#label}} is not an id' });

/** A place in an order, as `fractional-indexing` makes them: compare as plain strings. */
export const orderSchema = Joi.string()
  .max(200)
  .custom((order: string) => {
    // Asked for a place behind it, the library says whether it is one of its own.
    generateKeyBetween(order, null);
    return order;
  });

/** Text that a person typed in one line. */
export const lineSchema = Joi.string().allow('').max(400);

/** A language as BCP 47 writes it. */
export const languageSchema = Joi.string()
  .max(20)
  .custom((tag: string, helpers) => (isLanguage(tag) ? tag : helpers.error('any.invalid')))
  .messages({ 'any.invalid': '{{#label}} is no language tag as “en-GB” is one' });

/** Points, within what a page could ever need. */
export const pointsSchema = Joi.number().min(-20000).max(20000);

export const sizeSchema = Joi.number().min(0).max(20000);

export const boxSchema = Joi.object({
  x: pointsSchema.required(),
  y: pointsSchema.required(),
  w: sizeSchema.required(),
  h: sizeSchema.required(),
});

/** The schema of a record of one kind: its own fields and the two that all have. */
export function recordSchema(kind: string, fields: Joi.SchemaMap): Joi.ObjectSchema {
  return Joi.object({ id: idSchema.required(), kind: Joi.valid(kind).required(), ...fields });
}
