import { sampleOf, type SampleText } from '@/core/compose/typeSheet';
import { documentOf } from '@/core/records/document';
import { loadRecords, NoSuchDocumentError } from '@/store/documents';
import { listIssues } from '@/store/publications';
import { openDocument, type OpenedDocument } from '../documents/open';

export interface OpenedHouse extends OpenedDocument {
  /** Text of the publication's own, to show its design in. */
  readonly sample: SampleText;
  /** The style of running text. */
  readonly body: string;
}

/** Shown while a publication has no story of its own. */
const PLAIN_SAMPLE: SampleText = {
  headline: 'Wind over the harbour',
  body: [
    'The pen moves all night. It sits in a brass arm under a glass bell on the second floor of the observatory, and it draws on a drum of paper what four copper cups on the roof have to say. When the wind is steady it draws a band, like the edge of a saw seen from a long way off.',
    'Nobody on the bar was astonished. They had been counting the gusts for as long as they could remember, on their fingers, behind their backs, so that the children should not see them do it.',
  ],
};

/** A house with text of its latest issue to show its design in; undefined where there is no such house. */
export async function openHouse(id: string): Promise<OpenedHouse | undefined> {
  try {
    const opened = await openDocument(id);
    if (opened.head.kind !== 'house') return undefined;
    const latest = (await listIssues()).find((issue) => issue.publication === opened.head.publication);
    const sample = latest && sampleOf(documentOf((await loadRecords(latest.id)).records));
    const styles = opened.records.filter(({ kind }) => kind === 'paragraphStyle');
    const body = styles.find((style) => style.id === 'body') ?? styles[0];
    return body && { ...opened, sample: sample ?? PLAIN_SAMPLE, body: body.id };
  } catch (error) {
    if (error instanceof NoSuchDocumentError) return undefined;
    throw error;
  }
}
