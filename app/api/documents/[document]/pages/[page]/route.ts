import { previewPage } from '@/services/deliveries/previews';
import { handler } from '../../../../handler';
import { PAGE } from '../../../../params';

export const dynamic = 'force-dynamic';

/** Width of a small picture of a page, pixels. */
const WIDTH = 320;

export const GET = handler(PAGE, async (request, { page }, { document }) => {
  const { etag, png } = await previewPage(document!, Number(page), WIDTH, request.signal);
  const headers = { ETag: `"${etag}"`, 'Cache-Control': 'no-cache', 'Content-Type': 'image/png' };
  if (request.headers.get('if-none-match') === `"${etag}"`) return new Response(null, { status: 304, headers });
  return new Response(png as BodyInit, { headers });
});
