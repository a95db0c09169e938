import { getMapping, putMapping } from '@/store/copyMappings';
import { documentHead } from '@/store/documents';

/** What the names of styles in copy become in a document's publication. @throws NoSuchDocumentError */
export const mappingOf = async (document: string): Promise<Readonly<Record<string, string>>> =>
  getMapping(await publicationOf(document));

/** @throws NoSuchDocumentError */
export const rememberMapping = async (document: string, mapping: Readonly<Record<string, string>>): Promise<void> =>
  putMapping(await publicationOf(document), mapping);

async function publicationOf(document: string): Promise<string> {
  return (await documentHead(document)).publication;
}
