import { pictureFiles } from '@/services/documents/pictureFiles';
import { handler } from '../../../handler';
import { DOCUMENT } from '../../../params';

export const dynamic = 'force-dynamic';

/** The state of the files of its pictures. */
export const GET = handler(DOCUMENT, async (request, { document }) =>
  Response.json(await pictureFiles(document, request.signal)),
);
