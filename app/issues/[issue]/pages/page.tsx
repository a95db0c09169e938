import { preload } from 'react-dom';
import { documentUrl } from '@/client/fetchOpened';
import { issueHead } from '@/services/documents/issueHead';
import { openingPaper } from '@/services/documents/openingPaper';
import { PagesScreen } from '@/screens/pages/PagesScreen';
import { EarlyComposer } from '../../../EarlyComposer';
import { guarded } from '../../../guarded';

export const dynamic = 'force-dynamic';

export default guarded(async ({ visit, search }) => {
  const at = one(search['page']);
  const [head, paper] = await Promise.all([issueHead(visit.document!), openingPaper(visit.document!.id, at)]);
  preload(documentUrl(head.id), { as: 'fetch', crossOrigin: 'anonymous' });
  return (
    <>
      <EarlyComposer document={head.id} />
      <PagesScreen
        id={head.id}
        publication={head.publicationName}
        name={head.name}
        house={head.house}
        paper={paper}
        at={at}
        frame={one(search['frame'])}
        fit={one(search['fit'])}
      />
    </>
  );
});

/** A name that was said once in an address. */
const one = (said: string | string[] | undefined): string | undefined => (typeof said === 'string' ? said : undefined);
