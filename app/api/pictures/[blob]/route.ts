import Joi from 'joi';
import { pictureCopy } from '@/services/files';
import { checked, handler } from '../../handler';
import { BLOB } from '../../params';

const SIDE = Joi.object<{ side: number }>({ side: Joi.number().integer().min(16).max(4000).required() });

export const GET = handler(BLOB, async (request, { blob }) => {
  const { side } = checked(SIDE, { side: new URL(request.url).searchParams.get('side') });
  const { media, bytes } = await pictureCopy(blob, side, request.signal);
  return new Response(bytes as BodyInit, {
    headers: { 'Content-Type': media, 'Cache-Control': 'public, max-age=31536000, immutable' },
  });
});
