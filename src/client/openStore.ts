import { nanoid } from 'nanoid';
import type { Change } from '@/core/records/change';
import { unsent } from './unsent';
import { type Answer, DocumentStore, type Opened } from './documentStore';

/** Who works at this browser: one author for all its tabs, so that undo reaches what either did. */
function author(): string {
  const key = 'restless-kite-author';
  let id = localStorage.getItem(key);
  if (!id) localStorage.setItem(key, (id = nanoid(12)));
  return id;
}

async function asked<T>(url: string): Promise<T> {
  const response = await fetch(url);
  const answer = (await response.json()) as T & { message?: string };
  if (!response.ok) throw new Error(answer.message ?? 'The server is not answering.');
  return answer;
}

/** The store of a document, connected to the server: changes go out by POST, others' come in as server-sent events. */
export function openStore(document: string, opened: Opened): { store: DocumentStore; close: () => void } {
  const base = `/api/documents/${document}`;
  const store = new DocumentStore(opened, author(), {
    async send(change) {
      const response = await fetch(`${base}/changes`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(change),
      });
      return { status: response.status, body: (await response.json()) as Answer['body'] };
    },
    fetchChange: (seq, upTo) => asked(`${base}/changes/${seq}?upTo=${upTo}`),
    fetchAfter: async (seq, upTo) =>
      (await asked<{ changes: readonly Change[] }>(`${base}/changes?after=${seq}&upTo=${upTo}`)).changes,
    ...unsent(document),
    later: (milliseconds, work) => void setTimeout(work, milliseconds),
  });
  const events = new EventSource(`${base}/events?after=${opened.seq}`);
  events.onmessage = ({ data }) => store.receive(JSON.parse(data as string) as Change);
  events.addEventListener('head', ({ data }) => store.head(Number(data)));
  events.onopen = () => store.retry();
  // While the connection is away others may go on: what is here is told as it is known to be.
  events.onerror = () => store.away();
  const warn = (event: BeforeUnloadEvent) => {
    if (store.state().is !== 'stored') event.preventDefault();
  };
  window.addEventListener('beforeunload', warn);
  return {
    store,
    close: () => {
      events.close();
      window.removeEventListener('beforeunload', warn);
    },
  };
}
