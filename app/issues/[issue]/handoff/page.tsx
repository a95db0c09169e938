import { listDeliveries } from '@/services/deliveries/list';
import { pagesToLay } from '@/services/deliveries/pagesToLay';
import { issueHead } from '@/services/documents/issueHead';
import { HandoffScreen } from '@/screens/handoff/HandoffScreen';
import { guarded } from '../../../guarded';

export const dynamic = 'force-dynamic';

export default guarded(async ({ visit }) => {
  const head = await issueHead(visit.document!);
  return (
    <HandoffScreen
      id={head.id}
      publication={head.publicationName}
      name={head.name}
      house={head.house}
      pages={await pagesToLay(head.id)}
      deliveries={await listDeliveries(head.id)}
    />
  );
});
