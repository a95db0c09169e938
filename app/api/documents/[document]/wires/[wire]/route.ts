import Joi from 'joi';
import { takenNews, unsubscribe } from '@/services/wires/wires';
import { checked, handler, readJson } from '../../../../handler';
import { WIRE } from '../../../../params';

const NEWS = Joi.object<{ uri: string }>({ uri: Joi.string().max(2000).required() });

/** A piece of news, as copy that can be brought in. */
export const POST = handler(WIRE, async (request, { document, wire }) => {
  const { uri } = checked(NEWS, await readJson(request));
  return Response.json(await takenNews(document, wire, uri, request.signal));
});

export const DELETE = handler(WIRE, async (_request, { document, wire }) => {
  await unsubscribe(document, wire);
  return new Response(null, { status: 204 });
});
