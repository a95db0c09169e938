import Joi from 'joi';
import { ALL_DESIGNS } from '@/core/plan/designs/index';
import { newPublication, type NewPublication } from '@/services/shelf/newPublication';
import { checked, handler, readJson } from '../handler';
import { NO_PARAMS } from '../params';

export const dynamic = 'force-dynamic';

const ORDER = Joi.object<NewPublication>({
  name: Joi.string().allow('').max(200).required(),
  kind: Joi.valid('magazine', 'newsletter', 'newspaper').required(),
  frequency: Joi.string().allow('').max(40).required(),
  language: Joi.string().max(20).required(),
  start: Joi.object({
    design: Joi.valid(...ALL_DESIGNS.map(({ id }) => id)),
    blank: Joi.boolean(),
    pages: Joi.array().items(Joi.string().max(40)).max(40),
    palette: Joi.number().integer().min(0).max(2),
  }),
});

export const POST = handler(NO_PARAMS, async (request) =>
  Response.json(await newPublication(checked(ORDER, await readJson(request))), { status: 201 }),
);
