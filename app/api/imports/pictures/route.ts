import { importPicture } from '@/services/imports/bringIn';
import { PICTURE_BYTES } from '@/services/imports/limits';
import { readUpload } from '@/services/imports/upload';
import { handler } from '../../handler';
import { NO_PARAMS } from '../../params';

export const POST = handler(NO_PARAMS, async (request) => {
  return Response.json(await importPicture(await readUpload(request, PICTURE_BYTES), request.signal));
});
