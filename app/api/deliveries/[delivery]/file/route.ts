import { deliveredFile } from '@/services/deliveries/list';
import { handler } from '../../../handler';
import { DELIVERY } from '../../../params';

export const dynamic = 'force-dynamic';

export const GET = handler(DELIVERY, async (_request, { delivery }) => {
  const { name, media, bytes } = await deliveredFile(delivery);
  return new Response(bytes as BodyInit, {
    headers: { 'Content-Type': media, 'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}` },
  });
});
