import { HouseDesk } from '@/screens/house/HouseDesk';
import { openHouse } from '@/services/house/openHouse';
import { EarlyComposer } from '../../../EarlyComposer';
import { guarded } from '../../../guarded';

export const dynamic = 'force-dynamic';

export default guarded(async ({ visit }) => {
  const opened = await openHouse(visit.document!);
  if (!opened) return undefined;
  const { head, seq, records, history } = opened;
  return (
    <>
      <EarlyComposer document={head.id} />
      <HouseDesk id={head.id} publication={head.publicationName} chapter="masters" opened={{ seq, records, history }} />
    </>
  );
});
