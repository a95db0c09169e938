import { importCopy } from '@/services/imports/bringIn';
import { COPY_BYTES } from '@/services/imports/limits';
import { readUpload } from '@/services/imports/upload';
import { handler } from '../../handler';
import { NO_PARAMS } from '../../params';

export const POST = handler(NO_PARAMS, async (request) => {
  return Response.json(await importCopy(await readUpload(request, COPY_BYTES), request.signal));
});
