import { FurnitureScreen } from '@/screens/house/furniture/FurnitureScreen';
import { openHouse } from '@/services/house/openHouse';
import { guarded } from '../../../guarded';

export const dynamic = 'force-dynamic';

export default guarded(async ({ visit }) => {
  const opened = await openHouse(visit.document!);
  if (!opened) return undefined;
  const { head, seq, records, history } = opened;
  return <FurnitureScreen id={head.id} publication={head.publicationName} opened={{ seq, records, history }} />;
});
