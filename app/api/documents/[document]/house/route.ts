import { houseChanges } from '@/services/house/changes';
import { handler } from '../../../handler';
import { DOCUMENT } from '../../../params';

export const dynamic = 'force-dynamic';

/** What the house of an issue has changed since the issue was brought up to it. */
export const GET = handler(DOCUMENT, async (_request, _params, { document }) =>
  Response.json({ changes: await houseChanges(document!) }),
);
