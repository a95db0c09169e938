import { documentHead, type DocumentHead, NoSuchDocumentError } from '@/store/documents';

/** What an issue is, without its records; undefined where there is none. */
export async function issueHead(id: string): Promise<DocumentHead | undefined> {
  try {
    return await documentHead(id);
  } catch (error) {
    if (error instanceof NoSuchDocumentError) return undefined;
    throw error;
  }
}
