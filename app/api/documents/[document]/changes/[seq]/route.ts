import { changeToTakeBack } from '@/services/documents/change';
import { checked, handler } from '../../../../handler';
import { CHANGE, UP_TO } from '../../../../params';

/** What a change did, for whoever takes it back. */
export const GET = handler(CHANGE, async (request, { document, seq }) => {
  const { upTo } = checked(UP_TO, { upTo: new URL(request.url).searchParams.get('upTo') });
  return Response.json(await changeToTakeBack(document, Number(seq), upTo));
});
