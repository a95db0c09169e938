import { findDelivery } from '@/store/deliveries';
import { documentHead, type DocumentHead } from '@/store/documents';
import { ForeignOriginError, MisdirectedError, NotThereError } from './errors';
import { isAllowedHost, UNKNOWN_HOST } from './hosts';

/**
 * The one door: every route and every page passes here before anything is read or done. It asks whether the request is
 * meant for this server, whether it comes from one of its own pages, who asks, what for, and whether they may.
 */

/** Who asks. Nobody signs in yet, so that everyone is the same. */
export interface Session {
  readonly person: string | undefined;
}

/** What somebody wants to do. */
export type Right = 'read' | 'change';

/** A request that has been let in. */
export interface Visit {
  readonly session: Session;
  readonly right: Right;
  /** The issue or house that it concerns, where it concerns one. */
  readonly document: DocumentHead | undefined;
}

export interface Asked {
  readonly headers: Headers;
  readonly right: Right;
  /** The names of what is asked for, as they stand in the path. */
  readonly of: Readonly<Record<string, string>>;
}

/**
 * Lets a request in.
 * @throws MisdirectedError, ForeignOriginError, NoSuchDocumentError, NotThereError; ForbiddenError once not everyone may do everything
 */
export async function admit({ headers, right, of }: Asked): Promise<Visit> {
  if (!isAllowedHost(headers.get('host'))) throw new MisdirectedError(UNKNOWN_HOST);
  if (right === 'change') refuseForeign(headers);
  const session = sessionOf(headers);
  const id = of['document'] ?? of['issue'] ?? of['house'] ?? (await documentOfDelivery(of['delivery']));
  const document = id === undefined ? undefined : await documentHead(id);
  return { session, right, document };
}

/** Today everyone is let in; who they are is asked here once people sign in, and what they may do right after. */
const sessionOf = (_headers: Headers): Session => ({ person: undefined });

async function documentOfDelivery(id: string | undefined): Promise<string | undefined> {
  if (id === undefined) return undefined;
  const delivery = await findDelivery(id);
  if (!delivery) throw new NotThereError('There is no such delivery.');
  return delivery.document;
}

/** Only pages of this very server may change anything. Programs that send no `Origin` are not a browser's pages. */
function refuseForeign(headers: Headers): void {
  const site = headers.get('sec-fetch-site');
  const origin = headers.get('origin');
  const foreign = () => new ForeignOriginError('This request comes from another site and was refused.');
  if (site !== null && site !== 'same-origin' && site !== 'none') throw foreign();
  if (origin === null) return;
  let host: string;
  try {
    host = new URL(origin).host;
  } catch {
    throw foreign();
  }
  if (host !== headers.get('host')) throw foreign();
}
