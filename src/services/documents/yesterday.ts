import type { BodyJson } from '@/core/records/body';
import { all, find } from '@/core/records/document';
import { readDocument } from '@/core/records/stored';
import { lastChangeBeforeToday, loadRecords } from '@/store/documents';
import { documentAt } from './at';

/** The bodies of texts as they were when the day began, of those that have changed since; nothing for one that was not there. */
export type Yesterday = Readonly<Record<string, BodyJson | null>>;

/** What the texts of a document said when the day began. @throws NoSuchDocumentError */
export async function yesterday(id: string): Promise<Yesterday> {
  const [{ seq, records }, before] = await Promise.all([loadRecords(id), lastChangeBeforeToday(id)]);
  if (before >= seq) return {};
  const then = await documentAt(id, before);
  const out: Record<string, BodyJson | null> = {};
  for (const text of all(readDocument(records), 'text')) {
    const old = find(then, 'text', text.id);
    if (!old?.body.eq(text.body)) out[text.id] = old ? (old.body.toJSON() as BodyJson) : null;
  }
  return out;
}
