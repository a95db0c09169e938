import { generateKeyBetween } from 'fractional-indexing';
import Joi from 'joi';
import { bodyOf } from '../body';
import type { Field, Fields } from '../kind';
import { propertySchema } from './fromTable';
import { idSchema, languageSchema } from './common';

const order = Joi.string()
  .max(200)
  .custom((place: string) => {
    // Asked for a place behind it, the library says whether it is one of its own.
    generateKeyBetween(place, null);
    return place;
  });

/** A body says itself what it may hold: see `bodySchema`. */
const body = Joi.object()
  .custom((json: unknown, helpers) => {
    try {
      bodyOf(json as never);
      return json;
    } catch (error) {
      return helpers.error('any.invalid', { why: (error as Error).message });
    }
  })
  .messages({ 'any.invalid': '{{#label}} is not well formed ({{#why}})' });

function schemaOf(field: Field): Joi.Schema {
  switch (field.is) {
    case 'words':
      return Joi.string().allow('').max(field.most);
    case 'number': {
      const schema = Joi.number().min(field.least).max(field.most);
      return field.whole ? schema.integer() : schema;
    }
    case 'yesOrNo':
      return Joi.boolean();
    case 'one':
      return Joi.valid(...field.of);
    case 'id':
    case 'reference':
      return idSchema;
    case 'order':
      return order;
    case 'language':
      return languageSchema;
    case 'day':
      return Joi.string().isoDate();
    case 'hash':
      return Joi.string().hex().length(64);
    case 'body':
      return body;
    case 'list':
      return Joi.array().min(field.least).max(field.most).items(schemaOf(field.of));
    case 'map':
      return Joi.object().pattern(idSchema, schemaOf(field.of));
    case 'parts':
      return Joi.object(schemasOf(field.fields));
    case 'either':
      return Joi.alternatives(...field.of.map(schemaOf));
    case 'typed':
      return Joi.alternatives().conditional('.type', {
        switch: Object.entries(field.kinds).map(([type, fields]) => ({
          is: type,
          then: Joi.object({ type: Joi.valid(type).required(), ...schemasOf(fields) }),
        })),
        otherwise: Joi.forbidden(),
      });
    case 'property':
      return propertySchema(field.property);
  }
}

/** The schema of each field of a record, or of a part of one. */
export const schemasOf = (fields: Fields): Joi.SchemaMap =>
  Object.fromEntries(
    Object.entries(fields).map(([key, field]) => {
      const schema = schemaOf(field);
      return [key, field.maybe ? schema : schema.required()];
    }),
  );
