import Joi from 'joi';
import { forgetOwnWord, keepOwnWord, ownWords } from '@/services/documents/ownWords';
import { checked, handler, readJson } from '../../../handler';
import { DOCUMENT } from '../../../params';

export const dynamic = 'force-dynamic';

const word = Joi.string().min(1).max(100).required();
const ORDER = Joi.alternatives<{ word: string; like: string; issueOnly: boolean } | { word: string; forget: true }>(
  Joi.object({ word, like: Joi.string().allow('').max(100).required(), issueOnly: Joi.boolean().required() }),
  Joi.object({ word, forget: Joi.boolean().valid(true).required() }),
);

export const GET = handler(DOCUMENT, async (_request, { document }) => Response.json(await ownWords(document)));

export const POST = handler(DOCUMENT, async (request, { document }) => {
  const order = checked(ORDER, await readJson(request));
  if ('forget' in order) await forgetOwnWord(document, order.word);
  else await keepOwnWord(document, order);
  return Response.json(await ownWords(document));
});
