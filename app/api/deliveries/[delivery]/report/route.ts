import { deliveryReport } from '@/services/deliveries/report';
import { handler } from '../../../handler';
import { DELIVERY } from '../../../params';

export const dynamic = 'force-dynamic';

export const GET = handler(
  DELIVERY,
  async (_request, { delivery }) =>
    new Response(await deliveryReport(delivery), { headers: { 'Content-Type': 'text/html; charset=utf-8' } }),
);
