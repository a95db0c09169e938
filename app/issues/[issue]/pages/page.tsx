import { preload } from 'react-dom';
import { documentUrl } from '@/client/fetchOpened';
import { issueHead } from '@/services/documents/issueHead';
import { PagesScreen } from '@/screens/pages/PagesScreen';
import { EarlyComposer } from '../../../EarlyComposer';
import { guarded } from '../../../guarded';

export const dynamic = 'force-dynamic';

export default guarded(async ({ visit, search }) => {
  const head = await issueHead(visit.document!);
  preload(documentUrl(head.id), { as: 'fetch', crossOrigin: 'anonymous' });
  return (
    <>
      <EarlyComposer document={head.id} />
      <PagesScreen
        id={head.id}
        publication={head.publicationName}
        name={head.name}
        house={head.house}
        at={one(search['page'])}
        frame={one(search['frame'])}
        fit={one(search['fit'])}
      />
    </>
  );
});

/** A name that was said once in an address. */
const one = (said: string | string[] | undefined): string | undefined => (typeof said === 'string' ? said : undefined);
