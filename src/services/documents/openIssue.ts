import { NoSuchDocumentError } from '@/store/documents';
import { openDocument, type OpenedDocument } from './open';

/** An issue for a screen; undefined where there is none. */
export async function openIssue(id: string): Promise<OpenedDocument | undefined> {
  try {
    return await openDocument(id);
  } catch (error) {
    if (error instanceof NoSuchDocumentError) return undefined;
    throw error;
  }
}
