import { FinishesScreen } from '@/screens/house/finishes/FinishesScreen';
import { openHouse } from '@/services/house/openHouse';
import { guarded } from '../../../guarded';

export const dynamic = 'force-dynamic';

export default guarded(async ({ visit }) => {
  const opened = await openHouse(visit.document!);
  if (!opened) return undefined;
  const { head, seq, records, history } = opened;
  return <FinishesScreen id={head.id} publication={head.publicationName} opened={{ seq, records, history }} />;
});
