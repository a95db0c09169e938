import { inkTableOf } from '@/services/inks';
import { handler } from '../../handler';
import { INK_PROFILE } from '../../params';

export const GET = handler(INK_PROFILE, async (request, { profile }) => {
  const { inks } = await inkTableOf(profile, request.signal);
  return new Response(inks as BodyInit, {
    headers: { 'Content-Type': 'application/octet-stream', 'Cache-Control': 'public, max-age=86400' },
  });
});
