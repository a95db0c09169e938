import { documentHead } from '@/store/documents';
import { dropOwnWord, getOwnWords, type OwnWord, putOwnWord } from '@/store/ownWords';

/** What is written as it is in a document, whatever a dictionary says. @throws NoSuchDocumentError */
export const ownWords = async (document: string): Promise<OwnWord[]> =>
  getOwnWords((await documentHead(document)).publication, document);

/** @throws NoSuchDocumentError */
export const keepOwnWord = async (document: string, word: OwnWord): Promise<void> =>
  putOwnWord((await documentHead(document)).publication, document, word);

/** @throws NoSuchDocumentError */
export const forgetOwnWord = async (document: string, word: string): Promise<void> =>
  dropOwnWord((await documentHead(document)).publication, document, word);
