import { preload } from 'react-dom';
import { CopyScreen } from '@/screens/copy/CopyScreen';
import { documentUrl } from '@/client/fetchOpened';
import { issueHead } from '@/services/documents/issueHead';
import { today } from '@/services/today';
import { EarlyComposer } from '../../../EarlyComposer';
import { guarded } from '../../../guarded';

export const dynamic = 'force-dynamic';

export default guarded(async ({ visit, search }) => {
  const head = await issueHead(visit.document!);
  preload(documentUrl(head.id), { as: 'fetch', crossOrigin: 'anonymous' });
  return (
    <>
      <EarlyComposer document={head.id} />
      <CopyScreen
        id={head.id}
        publication={head.publicationName}
        name={head.name}
        house={head.house}
        today={today()}
        at={typeof search['story'] === 'string' ? search['story'] : undefined}
      />
    </>
  );
});
