import { importBundle } from '@/services/imports/bringIn';
import { BUNDLE_BYTES } from '@/services/imports/limits';
import { readUpload } from '@/services/imports/upload';
import { handler } from '../../handler';
import { NO_PARAMS } from '../../params';

export const POST = handler(NO_PARAMS, async (request) => {
  return Response.json(await importBundle(await readUpload(request, BUNDLE_BYTES), request.signal));
});
