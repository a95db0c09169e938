import { preload } from 'react-dom';
import { PlanScreen } from '@/screens/plan/PlanScreen';
import { documentUrl } from '@/client/fetchOpened';
import { issueHead } from '@/services/documents/issueHead';
import { recurringOf } from '@/services/house/recurringOf';
import { today } from '@/services/today';
import { guarded } from '../../../guarded';

export const dynamic = 'force-dynamic';

export default guarded(async ({ visit }) => {
  const head = await issueHead(visit.document!);
  preload(documentUrl(head.id), { as: 'fetch', crossOrigin: 'anonymous' });
  return (
    <PlanScreen
      id={head.id}
      publication={head.publicationName}
      name={head.name}
      house={head.house}
      recurring={await recurringOf(head.publication)}
      today={today()}
    />
  );
});
