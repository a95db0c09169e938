import { deliveredPage } from '@/services/deliveries/inside';
import { handler } from '../../../../handler';
import { INSIDE } from '../../../../params';

export const dynamic = 'force-dynamic';

/** What is shown in a frame of the application runs nothing and asks nobody else for anything. */
const POLICY = "default-src 'none'; img-src 'self'; style-src 'self'; font-src 'self'; base-uri 'none'; form-action 'none'";

export const GET = handler(INSIDE, async (_request, { delivery, path }) => {
  const { media, bytes } = await deliveredPage(delivery, path);
  return new Response(bytes as BodyInit, { headers: { 'Content-Type': media, 'Content-Security-Policy': POLICY } });
});
