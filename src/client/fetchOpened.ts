import type { Opened } from './documentStore';

/** Where a document is fetched from; a page that will ask for it can let the browser fetch it beforehand. */
export const documentUrl = (document: string): string => `/api/documents/${document}`;

/** A document with its records and its last changes. @throws Error with a sentence when it cannot be had */
export async function fetchOpened(document: string): Promise<Opened> {
  const response = await fetch(documentUrl(document));
  const answer = (await response.json()) as Opened & { message?: string };
  if (!response.ok) throw new Error(answer.message ?? 'The issue could not be opened.');
  return answer;
}
