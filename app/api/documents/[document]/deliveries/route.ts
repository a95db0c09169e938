import Joi from 'joi';
import { choicesOf, WAY_NAMES } from '@/core/handoff/ways';
import { fieldsOf } from '@/core/records/schemas/fromTable';
import { listDeliveries, type DeliveryOptions } from '@/services/deliveries/list';
import { startDelivery } from '@/services/deliveries/start';
import { checked, handler, readJson } from '../../../handler';
import { DOCUMENT } from '../../../params';

export const dynamic = 'force-dynamic';

/** Each way out with its own choices, all of them said. */
const OPTIONS = Joi.object<DeliveryOptions>({
  way: Joi.valid(...WAY_NAMES).required(),
  choices: Joi.alternatives()
    .conditional('way', {
      switch: WAY_NAMES.map((way) => {
        const table = choicesOf(way);
        return { is: way, then: Joi.object(fieldsOf(table, Object.keys(table))) };
      }),
    })
    .required(),
  noticed: Joi.boolean(),
});

export const GET = handler(DOCUMENT, async (_request, { document }) => Response.json(await listDeliveries(document)));

export const POST = handler(DOCUMENT, async (request, _params, { document }) => {
  const options = checked(OPTIONS, await readJson(request));
  return Response.json(await startDelivery(document!, options), { status: 202 });
});
