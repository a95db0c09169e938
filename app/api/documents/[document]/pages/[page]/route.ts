import { earlierPreview, previewPage } from '@/services/deliveries/previews';
import { handler } from '../../../../handler';
import { PAGE } from '../../../../params';

export const dynamic = 'force-dynamic';

/** A small picture of a page: as it now is, or, where `earlier` is asked for, as it last was drawn. */
export const GET = handler(PAGE, async (request, { page }, { document }) => {
  const headers = { 'Cache-Control': 'no-cache', 'Content-Type': 'image/png' };
  if (new URL(request.url).searchParams.has('earlier'))
    return new Response((await earlierPreview(document!, Number(page))) as BodyInit, { headers });
  const { etag, png } = await previewPage(document!, Number(page), request.signal);
  const tagged = { ...headers, ETag: `"${etag}"` };
  if (request.headers.get('if-none-match') === `"${etag}"`) return new Response(null, { status: 304, headers: tagged });
  return new Response(png as BodyInit, { headers: tagged });
});
