import Joi from 'joi';
import { FEATURE } from '../../properties/limits';
import type { LengthKind, NumberKind, Property, Table, ValueKind } from '../../properties/property';
import type { Wrap } from '../frame';
import { idSchema, languageSchema, lineSchema } from './common';

const figure = (kind: LengthKind | NumberKind): Joi.NumberSchema => {
  const schema = Joi.number().min(kind.least).max(kind.most);
  return 'whole' in kind && kind.whole ? schema.integer() : schema;
};

const OUTLINES: readonly Wrap['outline'][] = ['alpha', 'background', 'shape', 'glyphs'];

const PICKED = {
  family: lineSchema,
  swatch: idSchema,
  characterStyle: idSchema,
  language: languageSchema,
  outline: Joi.valid(...OUTLINES),
};

function schemaOf(kind: ValueKind): Joi.Schema {
  switch (kind.type) {
    case 'length':
    case 'number':
      return figure(kind);
    case 'choice':
      return Joi.valid(...kind.of.map(({ value }) => value));
    case 'sides': {
      const side = figure(kind.of).required();
      return Joi.alternatives(figure(kind.of), Joi.object({ top: side, right: side, bottom: side, left: side }));
    }
    case 'tick':
      return Joi.boolean();
    case 'words':
      return kind.none ? Joi.string().allow('').max(kind.most) : Joi.string().min(1).max(kind.most);
    case 'address':
      return Joi.string()
        .allow('')
        .max(kind.most)
        .uri({ scheme: ['http', 'https'] });
    case 'features':
      return Joi.array().max(kind.most).items(Joi.string().pattern(FEATURE));
    case 'pick': {
      const schema = kind.of === 'weight' ? Joi.number().min(100).max(900) : PICKED[kind.of];
      return kind.none?.value === '' ? schema.allow('') : schema;
    }
    case 'either':
      return Joi.alternatives(figure(kind.or), Joi.valid(...kind.of.map(({ value }) => value)));
    case 'part': {
      const check = kind.check;
      const schema = objectOf(kind.fields).custom((value: Readonly<Record<string, unknown>>, helpers) => {
        const wrong = check?.(value);
        return wrong === undefined ? value : helpers.message({ custom: wrong });
      });
      return kind.none ? schema.allow(null) : schema;
    }
    case 'list':
      return Joi.array().max(kind.most).items(objectOf(kind.fields));
  }
}

/** Values that hang together: all are there but those that may be left unsaid. */
const objectOf = (fields: Table): Joi.ObjectSchema =>
  Joi.object(
    fieldsOf(
      fields,
      Object.keys(fields).filter((key) => !fields[key]!.optional),
    ),
  );

/** The schema of a property. */
export const propertySchema = ({ kind }: Property): Joi.Schema => schemaOf(kind);

/** The schema of each property of a table; none of them need be there, but those that are named. */
export const fieldsOf = (table: Table, needed: readonly string[] = []): Joi.SchemaMap =>
  Object.fromEntries(
    Object.entries(table).map(([key, { kind }]) => [key, needed.includes(key) ? schemaOf(kind).required() : schemaOf(kind)]),
  );
