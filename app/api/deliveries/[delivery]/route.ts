import { findDelivery } from '@/services/deliveries/list';
import { NotThereError } from '@/services/errors';
import { cancelDelivery } from '@/services/deliveries/start';
import { handler } from '../../handler';
import { DELIVERY } from '../../params';

export const dynamic = 'force-dynamic';

export const GET = handler(DELIVERY, async (_request, { delivery }) => {
  const found = await findDelivery(delivery);
  if (!found) throw new NotThereError('There is no such delivery.');
  return Response.json(found);
});

export const DELETE = handler(DELIVERY, async (_request, { delivery }) => {
  await cancelDelivery(delivery);
  return Response.json(await findDelivery(delivery));
});
