import Joi from 'joi';
import { isFrequency } from '@/core/plan/recurrence';
import { SCHEMAS } from '@/core/records/schemas';
import { BUNDLE_FORMAT, BUNDLE_LIMITS, type BundledDocument, type Manifest } from '@/formats/bundle/shape';

/** What the JSON of a bundle may say. */

const path = Joi.string().max(300);
const sha256 = Joi.string().hex().length(64);

export const MANIFEST = Joi.object<Manifest>({
  format: Joi.valid(BUNDLE_FORMAT).required(),
  version: Joi.number().integer().min(1).required(),
  made: Joi.string().isoDate().required(),
  publication: Joi.object({
    name: Joi.string().max(400).required(),
    kind: Joi.valid('magazine', 'newsletter', 'newspaper').required(),
    frequency: Joi.string()
      .max(40)
      .required()
      .custom((words: string, helpers) => (isFrequency(words) ? words : helpers.error('any.invalid'))),
  }).required(),
  files: Joi.array()
    .max(BUNDLE_LIMITS.entries)
    .items(Joi.object({ path: path.required(), sha256: sha256.required(), media: Joi.string().max(100).required() }))
    .required(),
  faces: Joi.array()
    .max(1000)
    .items(Joi.object({ id: Joi.string().max(100).required(), path: path.required(), licence: Joi.string().max(400).required() }))
    .required(),
});

export const DOCUMENT = Joi.object<BundledDocument>({
  name: Joi.string().max(400).required(),
  seq: Joi.number().integer().min(0).required(),
  records: Joi.array()
    .max(100_000)
    .items(
      Joi.alternatives().conditional('.kind', {
        switch: Object.entries(SCHEMAS).map(([kind, schema]) => ({ is: kind, then: schema })),
        otherwise: Joi.forbidden(),
      }),
    )
    .required(),
  versions: Joi.object().pattern(Joi.string().max(40), Joi.number().integer().min(0)).required(),
});
