import Joi from 'joi';
import type { RecordKind } from '../index';
import { KINDS } from '../kinds';
import type { Fields } from '../kind';
import { idSchema, lineSchema } from './common';
import { schemasOf } from './fromFields';

/**
 * The schema of each kind of record, as its fields say it. They lie apart from what else is known of a kind, so that a
 * browser does not carry them: what comes in is checked by the server.
 */
export const SCHEMAS = Object.fromEntries(
  Object.entries(KINDS).map(([kind, { fields }]) => [
    kind,
    Joi.object({ id: idSchema.required(), kind: Joi.valid(kind).required(), ...schemasOf(fields as Fields) }),
  ]),
) as Readonly<Record<RecordKind, Joi.ObjectSchema>>;

const record = Joi.alternatives().conditional('.kind', {
  switch: Object.entries(SCHEMAS).map(([kind, schema]) => ({ is: kind, then: schema })),
  otherwise: Joi.forbidden(),
});

/** What a record says of itself: of a text all but its body, which is changed by steps. */
const ofItself = Joi.alternatives().conditional('.kind', {
  switch: Object.entries({ ...SCHEMAS, text: SCHEMAS.text.keys({ body: Joi.forbidden() }) }).map(([kind, schema]) => ({
    is: kind,
    then: schema,
  })),
  otherwise: Joi.forbidden(),
});

const pair = Joi.object({ before: ofItself.required(), after: ofItself.required() });

const step = Joi.object({ stepType: Joi.string().max(40).required() }).unknown();

const onText = Joi.object({
  id: idSchema.required(),
  steps: Joi.array().items(step).max(20000).required(),
  back: Joi.array().items(step).max(20000).required(),
});

/** A diff as it comes over the wire. */
export const diffSchema = Joi.object({
  added: Joi.array().items(record).max(20000).required(),
  updated: Joi.array().items(pair).max(20000).required(),
  removed: Joi.array().items(record).max(20000).required(),
  texts: Joi.array().items(onText).max(20000).required(),
});

/** A change as a client sends it. */
export const changeSchema = Joi.object({
  id: idSchema.required(),
  author: idSchema.required(),
  label: lineSchema.required(),
  kind: Joi.valid('edit', 'undo', 'redo').required(),
  /** The last change that its author had. */
  base: Joi.number().integer().min(0).required(),
  /** The change that an undo or redo turns back, by its number. */
  of: Joi.number().integer().min(1),
  diff: diffSchema.required(),
}).required();
