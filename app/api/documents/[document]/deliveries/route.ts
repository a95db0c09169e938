import Joi from 'joi';
import { listDeliveries, type DeliveryOptions } from '@/services/deliveries/list';
import { startDelivery } from '@/services/deliveries/start';
import { checked, handler, readJson } from '../../../handler';
import { DOCUMENT } from '../../../params';

export const dynamic = 'force-dynamic';

const OPTIONS = Joi.object<DeliveryOptions>({
  purpose: Joi.valid('print', 'screen').required(),
  marks: Joi.boolean().required(),
  noticed: Joi.boolean(),
});

export const GET = handler(DOCUMENT, async (_request, { document }) => Response.json(await listDeliveries(document)));

export const POST = handler(DOCUMENT, async (request, _params, { document }) => {
  const options = checked(OPTIONS, await readJson(request));
  return Response.json(await startDelivery(document!, options), { status: 202 });
});
