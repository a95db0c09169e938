import type { Diff } from '@/core/records/diff';
import type { Document } from '@/core/records/document';
import { readDocument } from '@/core/records/stored';
import { got } from './ask';
import type { Opened } from './documentStore';
import { fetchOpened } from './fetchOpened';
import { openStore } from './openStore';

/** Another issue of the same publication, as it was when it was fetched. */
export interface OtherIssue {
  readonly id: string;
  readonly name: string;
  readonly opened: Opened;
  readonly document: Document;
}

/** The other issues of an issue's publication. @throws Error with a sentence where they cannot be had */
export async function fetchOtherIssues(issue: string, signal: AbortSignal): Promise<OtherIssue[]> {
  const list = await got<{ id: string; name: string }[]>(`/api/documents/${issue}/issues`, signal);
  return Promise.all(
    list.map(async ({ id, name }) => {
      const opened = await fetchOpened(id);
      return { id, name, opened, document: readDocument(opened.records) };
    }),
  );
}

/** Milliseconds after which a change that has not been saved is said to be on its way. */
const PATIENCE = 20_000;

/** Does a change to another issue, and waits until it is saved there. @throws Error with a sentence where it is not */
export function doElsewhere(
  { id, name, opened }: OtherIssue,
  label: string,
  action: (document: Document) => Diff,
): Promise<void> {
  const { store, close } = openStore(id, opened);
  return new Promise<void>((resolve, reject) => {
    const end = (error?: Error) => {
      clearTimeout(timer);
      stop();
      close();
      if (error) reject(error);
      else resolve();
    };
    const look = () => store.state().is === 'stored' && end();
    const stop = store.subscribe(look);
    const timer = setTimeout(
      () =>
        end(
          new Error(
            `“${name}” could not be changed: the server is not answering. What was to be done there is sent when it is opened.`,
          ),
        ),
      PATIENCE,
    );
    store.onRefused = (message) => end(new Error(`“${name}” could not be changed: ${message}`));
    try {
      store.act(label, action);
      look();
    } catch (error) {
      end(error as Error);
    }
  });
}
