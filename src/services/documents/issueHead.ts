import type { DocumentHead } from '@/store/documents';
import { listHouses } from '@/store/publications';

export interface IssueHead extends DocumentHead {
  /** The document that holds its publication's design. */
  readonly house: string | undefined;
}

/** What an issue is, without its records. */
export async function issueHead(head: DocumentHead): Promise<IssueHead> {
  return { ...head, house: (await listHouses()).get(head.publication) };
}
