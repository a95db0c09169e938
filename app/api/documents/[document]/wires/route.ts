import Joi from 'joi';
import { lookAtWires, subscribe } from '@/services/wires/wires';
import { checked, handler, readJson } from '../../../handler';
import { DOCUMENT } from '../../../params';

export const dynamic = 'force-dynamic';

const WIRE = Joi.object<{ name: string; address: string }>({
  name: Joi.string().allow('').max(100).required(),
  address: Joi.string().max(1000).required(),
});

export const GET = handler(DOCUMENT, async (_request, { document }) => Response.json(await lookAtWires(document)));

export const POST = handler(DOCUMENT, async (request, { document }) => {
  await subscribe(document, checked(WIRE, await readJson(request)));
  return Response.json(await lookAtWires(document));
});
