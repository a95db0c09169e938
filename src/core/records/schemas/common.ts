import Joi from 'joi';
import { isLanguage } from '../language';

/** Ids are made by `nanoid` or are short words in documents that ship with the application. */
export const idSchema = Joi.string()
  .pattern(/^[A-Za-z0-9_-]{1,40}$/)
  .messages({ 'string.pattern.base': '{{#label}} is not an id' });

/** Text that a person typed in one line. */
export const lineSchema = Joi.string().allow('').max(400);

/** A language as BCP 47 writes it. */
export const languageSchema = Joi.string()
  .max(20)
  .custom((tag: string, helpers) => (isLanguage(tag) ? tag : helpers.error('any.invalid')))
  .messages({ 'any.invalid': '{{#label}} is no language tag as “en-GB” is one' });
