import { findDelivery } from '@/services/deliveries/list';
import { cancelDelivery } from '@/services/deliveries/start';
import { handler } from '../../handler';
import { DELIVERY } from '../../params';

export const dynamic = 'force-dynamic';

export const GET = handler(DELIVERY, async (_request, { delivery }) => {
  const found = await findDelivery(delivery);
  return found ? Response.json(found) : Response.json({ message: 'There is no such delivery.' }, { status: 404 });
});

export const DELETE = handler(DELIVERY, async (_request, { delivery }) => {
  await cancelDelivery(delivery);
  return Response.json(await findDelivery(delivery));
});
