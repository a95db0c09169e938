import type { LengthKind, NumberKind, Property, Table, ValueKind } from '../../properties/property';
import { KINDS } from '../kinds';
import type { Field, Fields } from '../kind';

/** A JSON Schema (draft 2020-12), as far as it is used here. */
export type JsonSchema = { readonly [key: string]: unknown };

const ID = { type: 'string', pattern: '^[A-Za-z0-9_-]{1,40}$' } as const;

const figure = (kind: LengthKind | NumberKind): JsonSchema => ({
  type: 'whole' in kind && kind.whole ? 'integer' : 'number',
  minimum: kind.least,
  maximum: kind.most,
});

function ofValue(kind: ValueKind): JsonSchema {
  switch (kind.type) {
    case 'length':
    case 'number':
      return figure(kind);
    case 'choice':
      return { enum: kind.of.map(({ value }) => value) };
    case 'sides':
      return { anyOf: [figure(kind.of), { type: 'object', additionalProperties: figure(kind.of), required: [...SIDES] }] };
    case 'tick':
      return { type: 'boolean' };
    case 'words':
      return { type: 'string', minLength: kind.none ? 0 : 1, maxLength: kind.most };
    case 'address':
      return { type: 'string', maxLength: kind.most };
    case 'features':
      return { type: 'array', maxItems: kind.most, items: { type: 'string' } };
    case 'pick':
      return kind.of === 'weight' ? { type: 'number', minimum: 100, maximum: 900 } : { type: 'string' };
    case 'either':
      return { anyOf: [figure(kind.or), { enum: kind.of.map(({ value }) => value) }] };
    case 'part':
      return kind.none ? { anyOf: [ofTable(kind.fields), { type: 'null' }] } : ofTable(kind.fields);
    case 'list':
      return { type: 'array', maxItems: kind.most, items: ofTable(kind.fields) };
  }
}

const SIDES = ['top', 'right', 'bottom', 'left'] as const;

const ofProperty = ({ kind, label }: Property): JsonSchema => ({ ...ofValue(kind), title: label });

const ofTable = (table: Table): JsonSchema => ({
  type: 'object',
  properties: Object.fromEntries(Object.entries(table).map(([key, property]) => [key, ofProperty(property)])),
  required: Object.keys(table).filter((key) => !table[key]!.optional),
  additionalProperties: false,
});

function ofField(field: Field): JsonSchema {
  switch (field.is) {
    case 'words':
      return { type: 'string', maxLength: field.most };
    case 'number':
      return { type: field.whole ? 'integer' : 'number', minimum: field.least, maximum: field.most };
    case 'yesOrNo':
      return { type: 'boolean' };
    case 'one':
      return { enum: [...field.of] };
    case 'id':
      return ID;
    case 'reference':
      return { ...ID, description: `The id of another record: ${field.to.join(' or ')}.` };
    case 'order':
      return { type: 'string', maxLength: 200, description: 'A place in an order: compare as plain strings.' };
    case 'language':
      return { type: 'string', maxLength: 20, description: 'A language, such as “en-GB”.' };
    case 'day':
      return { type: 'string', format: 'date' };
    case 'hash':
      return { type: 'string', pattern: '^[0-9a-f]{64}$', description: 'The SHA-256 of a file in the folder “files”.' };
    case 'body':
      return { $ref: '#/$defs/body' };
    case 'list':
      return { type: 'array', minItems: field.least, maxItems: field.most, items: ofField(field.of) };
    case 'map':
      return { type: 'object', propertyNames: ID, additionalProperties: ofField(field.of) };
    case 'parts':
      return { type: 'object', ...ofFields(field.fields) };
    case 'either':
      return { anyOf: field.of.map(ofField) };
    case 'typed':
      return {
        oneOf: Object.entries(field.kinds).map(([type, fields]) => typed('type', type, fields)),
      };
    case 'property':
      return ofProperty(field.property);
  }
}

const ofFields = (fields: Fields): JsonSchema => ({
  properties: Object.fromEntries(Object.entries(fields).map(([key, field]) => [key, ofField(field)])),
  required: Object.keys(fields).filter((key) => !fields[key]!.maybe),
  additionalProperties: false,
});

/** An object that a word tells apart from others. */
function typed(key: string, word: string, fields: Fields, more: Readonly<Record<string, JsonSchema>> = {}): JsonSchema {
  const { properties, required, ...rest } = ofFields(fields) as { properties: object; required: string[] };
  return {
    type: 'object',
    ...rest,
    properties: { [key]: { const: word }, ...more, ...properties },
    required: [key, ...Object.keys(more), ...required],
  };
}

/** A body of text: nodes in nodes, as ProseMirror writes a document. */
const NODE: JsonSchema = {
  type: 'object',
  properties: {
    type: { enum: ['doc', 'paragraph', 'table', 'row', 'cell', 'figure', 'text', 'field', 'picture', 'lineBreak'] },
    attrs: { type: 'object' },
    text: { type: 'string', minLength: 1 },
    marks: { type: 'array', items: { type: 'object', properties: { type: { type: 'string' } }, required: ['type'] } },
    content: { type: 'array', items: { $ref: '#/$defs/node' } },
  },
  required: ['type'],
  additionalProperties: false,
};

/** What every record of a document is, as a schema that other programs can read. */
export function recordsSchema(): JsonSchema {
  const kinds = Object.entries(KINDS).map(([kind, { fields }]) => [kind, typed('kind', kind, fields as Fields, { id: ID })]);
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'The records of an issue or a house',
    description: 'Lengths are in points (1/72 inch) unless a title says otherwise; shares are 0 to 1.',
    type: 'array',
    items: { oneOf: kinds.map(([kind]) => ({ $ref: `#/$defs/${kind as string}` })) },
    $defs: {
      ...Object.fromEntries(kinds),
      body: { allOf: [{ $ref: '#/$defs/node' }, { properties: { type: { const: 'doc' } }, required: ['content'] }] },
      node: NODE,
    },
  };
}
