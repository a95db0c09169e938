import { takeChange } from '@/services/documents/change';
import { handler, readJson } from '../../../handler';
import { DOCUMENT } from '../../../params';

export const POST = handler(DOCUMENT, async (request, { document }) => {
  const { seq, at } = await takeChange(document, await readJson(request));
  return Response.json({ seq, at });
});
