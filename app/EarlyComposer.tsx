import { headers } from 'next/headers';
import { startEarly } from '@/client/startWorker';
import { styleFaces } from '@/services/documents/styleFaces';

/** Starts the typesetter of a page that will compose a document, with the page's first lines. */
export async function EarlyComposer({ document }: { document: string }) {
  const nonce = /'nonce-([^']+)'/.exec((await headers()).get('content-security-policy') ?? '')?.[1];
  const script = startEarly(await styleFaces(document));
  // A browser hides the nonce from scripts once it has read it.
  return <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: script }} />;
}
