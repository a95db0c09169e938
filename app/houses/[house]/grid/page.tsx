import { GridScreen } from '@/screens/house/grid/GridScreen';
import { openHouse } from '@/services/house/openHouse';
import { EarlyComposer } from '../../../EarlyComposer';
import { guarded } from '../../../guarded';

export const dynamic = 'force-dynamic';

export default guarded(async ({ visit }) => {
  const opened = await openHouse(visit.document!);
  if (!opened) return undefined;
  const { head, seq, records, history, sample, body } = opened;
  return (
    <>
      <EarlyComposer document={head.id} />
      <GridScreen
        id={head.id}
        publication={head.publicationName}
        opened={{ seq, records, history }}
        sample={sample.body}
        body={body}
      />
    </>
  );
});
