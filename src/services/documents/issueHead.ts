import { countRecords, type DocumentHead } from '@/store/documents';
import { listHouses } from '@/store/publications';

export interface IssueHead extends DocumentHead {
  /** The document that holds its publication's design. */
  readonly house: string | undefined;
  readonly pages: number;
}

/** What an issue is, without its records. */
export async function issueHead(head: DocumentHead): Promise<IssueHead> {
  const [houses, pages] = await Promise.all([listHouses(), countRecords(head.id, 'page')]);
  return { ...head, house: houses.get(head.publication), pages };
}
