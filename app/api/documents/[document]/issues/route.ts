import { otherIssues } from '@/services/documents/otherIssues';
import { handler } from '../../../handler';
import { DOCUMENT } from '../../../params';

export const dynamic = 'force-dynamic';

export const GET = handler(DOCUMENT, async (_request, { document }) => Response.json(await otherIssues(document)));
