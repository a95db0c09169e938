import { countRecords, documentHead, type DocumentHead, NoSuchDocumentError } from '@/store/documents';
import { listHouses } from '@/store/publications';

export interface IssueHead extends DocumentHead {
  /** The document that holds its publication's design. */
  readonly house: string | undefined;
  readonly pages: number;
}

/** What an issue is, without its records; undefined where there is none. */
export async function issueHead(id: string): Promise<IssueHead | undefined> {
  try {
    const [head, houses, pages] = await Promise.all([documentHead(id), listHouses(), countRecords(id, 'page')]);
    return { ...head, house: houses.get(head.publication), pages };
  } catch (error) {
    if (error instanceof NoSuchDocumentError) return undefined;
    throw error;
  }
}
