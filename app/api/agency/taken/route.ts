import { takeFromAgency } from '@/services/agency/agency';
import { checked, handler, readJson } from '../../handler';
import { NO_PARAMS } from '../../params';
import { ONE_OF } from '../one';

/** Takes a picture from the agency: its file is kept, and it becomes part of an issue by a change. */
export const POST = handler(NO_PARAMS, async (request) => {
  const { uri } = checked(ONE_OF, await readJson(request));
  return Response.json(await takeFromAgency(uri, request.signal));
});
