import Joi from 'joi';
import { type IssueNames, renameIssue, setIssueRemoved } from '@/services/shelf/keep';
import { checked, handler, readJson } from '../../../handler';
import { DOCUMENT } from '../../../params';

export const dynamic = 'force-dynamic';

const KEEP = Joi.alternatives<IssueNames | { removed: boolean }>(
  Joi.object({
    number: Joi.string().allow('').max(40).required(),
    season: Joi.string().allow('').max(100).required(),
    publication: Joi.string().allow('').max(100).required(),
  }),
  Joi.object({ removed: Joi.boolean().required() }),
);

export const POST = handler(DOCUMENT, async (request, { document }) => {
  const keep = checked(KEEP, await readJson(request));
  if ('removed' in keep) await setIssueRemoved(document, keep.removed);
  else await renameIssue(document, keep);
  return Response.json({});
});
