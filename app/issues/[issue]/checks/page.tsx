import { preload } from 'react-dom';
import { documentUrl } from '@/client/fetchOpened';
import { ChecksScreen } from '@/screens/checks/ChecksScreen';
import { issueHead } from '@/services/documents/issueHead';
import { guarded } from '../../../guarded';

export const dynamic = 'force-dynamic';

export default guarded(async ({ visit }) => {
  const head = await issueHead(visit.document!);
  preload(documentUrl(head.id), { as: 'fetch', crossOrigin: 'anonymous' });
  return <ChecksScreen id={head.id} publication={head.publicationName} name={head.name} house={head.house} />;
});
