import Joi from 'joi';
import { newIssue, type IssueOrder } from '@/services/shelf/newIssue';
import { checked, handler, readJson } from '../../../handler';
import { PUBLICATION } from '../../../params';

export const dynamic = 'force-dynamic';

const ORDER = Joi.object<IssueOrder>({
  number: Joi.string().allow('').max(40).required(),
  season: Joi.string().allow('').max(100).required(),
  date: Joi.string().allow('').max(20).required(),
  pages: Joi.number().required(),
  from: Joi.string().max(40),
});

export const POST = handler(PUBLICATION, async (request, { publication }) =>
  Response.json(await newIssue(publication, checked(ORDER, await readJson(request))), { status: 201 }),
);
