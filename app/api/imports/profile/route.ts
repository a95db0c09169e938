import { readUpload } from '@/services/imports/upload';
import { importProfile, PROFILE_BYTES } from '@/services/inks';
import { handler } from '../../handler';
import { NO_PARAMS } from '../../params';

export const POST = handler(NO_PARAMS, async (request) =>
  Response.json(await importProfile(await readUpload(request, PROFILE_BYTES), request.signal)),
);
