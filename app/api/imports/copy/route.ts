import { importCopy } from '@/services/imports/bringIn';
import { COPY_BYTES } from '@/services/imports/limits';
import { readUpload } from '@/services/imports/upload';
import { handler } from '../../handler';
import { NO_PARAMS } from '../../params';

export const POST = handler(NO_PARAMS, async (request) => {
  const { name, bytes } = await readUpload(request, COPY_BYTES);
  return Response.json(await importCopy(name, bytes, request.signal));
});
