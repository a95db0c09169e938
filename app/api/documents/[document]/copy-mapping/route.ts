import Joi from 'joi';
import { mappingOf, rememberMapping } from '@/services/imports/mapping';
import { checked, handler, readJson } from '../../../handler';
import { DOCUMENT } from '../../../params';

export const dynamic = 'force-dynamic';

/** What a name of a style in copy becomes: a part of a story, or a style of the house. */
const MAPPING = Joi.object<Readonly<Record<string, string>>>()
  .pattern(
    Joi.string().min(1).max(200),
    Joi.string().pattern(/^(headline|standfirst|byline|body|caption|credit|leave|style:[A-Za-z0-9_-]{1,40})$/),
  )
  .max(500)
  .required();

export const GET = handler(DOCUMENT, async (_request, { document }) => Response.json(await mappingOf(document)));

export const POST = handler(DOCUMENT, async (request, { document }) => {
  await rememberMapping(document, checked(MAPPING, await readJson(request)));
  return Response.json({});
});
