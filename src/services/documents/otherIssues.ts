import { documentHead } from '@/store/documents';
import { listIssuesBeside } from '@/store/publications';

/** The other issues of a document's publication that are on the shelf. @throws NoSuchDocumentError */
export const otherIssues = async (document: string): Promise<{ id: string; name: string }[]> =>
  listIssuesBeside((await documentHead(document)).publication, document);
