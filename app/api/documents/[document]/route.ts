import { openDocument } from '@/services/documents/open';
import { handler } from '../../handler';
import { DOCUMENT } from '../../params';

export const dynamic = 'force-dynamic';

export const GET = handler(DOCUMENT, async (_request, _params, { document }) => Response.json(await openDocument(document!)));
