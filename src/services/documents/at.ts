import { applied, inverted } from '@/core/records/diff';
import type { Document } from '@/core/records/document';
import { readDiff, readDocument } from '@/core/records/stored';
import { changesAfter, loadRecords } from '@/store/documents';

/** Changes fetched at a time. */
const BATCH = 200;

/** A document as it was at a change: as it now is, with what came after taken back. @throws NoSuchDocumentError */
export async function documentAt(id: string, seq: number): Promise<Document> {
  const { seq: now, records } = await loadRecords(id);
  let document = readDocument(records);
  const after = [];
  for (let at = seq; at < now;) {
    const batch = (await changesAfter(id, at, BATCH)).filter((change) => change.seq <= now);
    if (batch.length === 0) break;
    after.push(...batch);
    at = batch.at(-1)!.seq;
  }
  for (const { diff } of after.reverse()) document = applied(document, inverted(readDiff(diff)));
  return document;
}
