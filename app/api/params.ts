import Joi from 'joi';

const id = Joi.string()
  .pattern(/^[A-Za-z0-9_-]{1,40}$/)
  .required();

export const NO_PARAMS = Joi.object<Record<string, string>>({});
export const DOCUMENT = Joi.object<{ document: string }>({ document: id });
export const DELIVERY = Joi.object<{ delivery: string }>({ delivery: id });
export const INSIDE = Joi.object<{ delivery: string; path: string }>({
  delivery: id,
  path: Joi.string().max(300).required(),
});
export const BLOB = Joi.object<{ blob: string }>({ blob: Joi.string().hex().lowercase().length(64).required() });
export const INK_PROFILE = Joi.object<{ profile: string }>({
  profile: Joi.alternatives(Joi.valid('usual'), Joi.string().hex().lowercase().length(64)).required(),
});
export const PAGE = Joi.object<{ document: string; page: string }>({
  document: id,
  page: Joi.string()
    .pattern(/^\d{1,4}$/)
    .required(),
});
export const PUBLICATION = Joi.object<{ publication: string }>({ publication: id });
export const STORY = Joi.object<{ document: string; story: string }>({ document: id, story: id });
export const WIRE = Joi.object<{ document: string; wire: string }>({ document: id, wire: id });
export const CHANGE = Joi.object<{ document: string; seq: string }>({
  document: id,
  seq: Joi.string()
    .pattern(/^\d{1,12}$/)
    .required(),
});

const seq = Joi.number().integer().min(0).max(1e12).required();
export const UP_TO = Joi.object<{ upTo: number }>({ upTo: seq });
export const BETWEEN = Joi.object<{ after: number; upTo: number }>({ after: seq, upTo: seq });
