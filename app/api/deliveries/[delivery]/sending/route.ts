import { beginSending } from '@/services/deliveries/sending';
import { handler } from '../../../handler';
import { DELIVERY } from '../../../params';

export const dynamic = 'force-dynamic';

export const POST = handler(DELIVERY, async (_request, { delivery }) =>
  Response.json(await beginSending(delivery), { status: 202 }),
);
