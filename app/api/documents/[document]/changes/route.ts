import { changesBetween, storedWithOthers } from '@/services/documents/change';
import { checked, handler, readJson } from '../../../handler';
import { BETWEEN, DOCUMENT } from '../../../params';

export const POST = handler(DOCUMENT, async (request, { document }) =>
  Response.json(await storedWithOthers(document, await readJson(request))),
);

/** Changes after one, up to another: for what was done before a page was closed, to be rebased on. */
export const GET = handler(DOCUMENT, async (request, { document }) => {
  const of = new URL(request.url).searchParams;
  const { after, upTo } = checked(BETWEEN, { after: of.get('after'), upTo: of.get('upTo') });
  return Response.json({ changes: await changesBetween(document, after, upTo) });
});
