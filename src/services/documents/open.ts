import type { Heading } from '@/core/records/change';
import { lastHeadings, loadRecords, type DocumentHead } from '@/store/documents';
import type { StoredRecord } from '@/core/records/stored';

/** Changes that come along with a document, for undo to go back through. */
export const HISTORY = 200;

export interface OpenedDocument {
  readonly head: DocumentHead;
  readonly seq: number;
  readonly records: readonly StoredRecord[];
  readonly history: readonly Heading[];
}

/** A document with its records and its last changes, all of one moment. @throws NoSuchDocumentError */
export async function openDocument(head: DocumentHead): Promise<OpenedDocument> {
  const { seq, records } = await loadRecords(head.id);
  const history = (await lastHeadings(head.id, HISTORY)).filter((change) => change.seq <= seq);
  return { head, seq, records, history };
}
