import { heldThumbnail } from '@/services/agency/agency';
import { checked, handler } from '../../handler';
import { NO_PARAMS } from '../../params';
import { ONE_OF } from '../one';

export const GET = handler(NO_PARAMS, async (request) => {
  const asked = new URL(request.url).searchParams;
  const { q, uri } = checked(ONE_OF, { q: asked.get('q') ?? '', uri: asked.get('uri') });
  const bytes = await heldThumbnail(q, uri, request.signal);
  return new Response(bytes as BodyInit, { headers: { 'Content-Type': 'image/webp', 'Cache-Control': 'private, max-age=600' } });
});
