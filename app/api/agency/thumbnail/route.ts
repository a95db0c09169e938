import { heldThumbnail } from '@/services/agency/agency';
import { checked, handler } from '../../handler';
import { NO_PARAMS } from '../../params';
import { ONE_OF } from '../one';

export const GET = handler(NO_PARAMS, async (request) => {
  const { uri } = checked(ONE_OF, { uri: new URL(request.url).searchParams.get('uri') });
  const bytes = await heldThumbnail(uri, request.signal);
  return new Response(bytes as BodyInit, { headers: { 'Content-Type': 'image/webp', 'Cache-Control': 'private, max-age=600' } });
});
