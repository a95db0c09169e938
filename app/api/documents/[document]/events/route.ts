import Joi from 'joi';
import { changeFeed } from '@/services/documents/feed';
import { checked, handler } from '../../../handler';
import { DOCUMENT } from '../../../params';

export const dynamic = 'force-dynamic';

const AFTER = Joi.object<{ after: number }>({ after: Joi.number().integer().min(0).required() });

export const GET = handler(DOCUMENT, async (request, _params, { document }) => {
  const last = request.headers.get('last-event-id');
  const { after } = checked(AFTER, { after: last ?? new URL(request.url).searchParams.get('after') });
  const feed = changeFeed(document!.id, after, request.signal);
  return new Response(feed, {
    headers: { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-cache, no-transform', 'X-Accel-Buffering': 'no' },
  });
});
