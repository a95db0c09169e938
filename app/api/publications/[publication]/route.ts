import Joi from 'joi';
import { renamePublication, setPublicationRemoved } from '@/services/shelf/keep';
import { checked, handler, readJson } from '../../handler';
import { PUBLICATION } from '../../params';

export const dynamic = 'force-dynamic';

const KEEP = Joi.object<{ name?: string; removed?: boolean }>({
  name: Joi.string().allow('').max(200),
  removed: Joi.boolean(),
}).xor('name', 'removed');

export const POST = handler(PUBLICATION, async (request, { publication }) => {
  const { name, removed } = checked(KEEP, await readJson(request));
  if (name !== undefined) await renamePublication(publication, name);
  else await setPublicationRemoved(publication, removed === true);
  return Response.json({});
});
