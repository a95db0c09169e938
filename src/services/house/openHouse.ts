import { sampleOf, type SampleText } from '@/core/page/sampleText';
import { readDocument } from '@/core/records/stored';
import { type DocumentHead, loadRecords } from '@/store/documents';
import { listIssues } from '@/store/publications';
import { DUMMY_TEXT } from '@/core/page/dummyText';
import { openDocument, type OpenedDocument } from '../documents/open';

export interface OpenedHouse extends OpenedDocument {
  /** Text of the publication's own, to show its design in. */
  readonly sample: SampleText;
  /** The style of running text. */
  readonly body: string;
}

/** A house with text of its latest issue to show its design in; undefined where the document is none. */
export async function openHouse(head: DocumentHead): Promise<OpenedHouse | undefined> {
  if (head.kind !== 'house') return undefined;
  const opened = await openDocument(head);
  const latest = (await listIssues()).find((issue) => issue.publication === head.publication);
  const sample = latest && sampleOf(readDocument((await loadRecords(latest.id)).records));
  const styles = opened.records.filter(({ kind }) => kind === 'paragraphStyle');
  const body = styles.find((style) => style.id === 'body') ?? styles[0];
  return body && { ...opened, sample: sample ?? DUMMY_TEXT, body: body.id };
}
