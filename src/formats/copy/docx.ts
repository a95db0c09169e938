import mammoth from 'mammoth';
import { wellFormed } from '@/core/records/plain';
import { RefusedFileError } from '../refused';
import { checkArchive } from './archive';
import type { Block } from './blocks';
import { readHtml } from './html';

/** How the names of a word processor's styles become what a paragraph is. */
const STYLES = [
  "p[style-name='Title'] => h1:fresh",
  "p[style-name='Subtitle'] => h2:fresh",
  "p[style-name='Quote'] => blockquote > p:fresh",
  "p[style-name='Intense Quote'] => blockquote > p:fresh",
  "br[type='page'] => hr.page:fresh",
  "br[type='column'] => hr.column:fresh",
];

/**
 * Reads a DOCX (Office Open XML, ECMA-376) as copy.
 * @throws RefusedFileError when it is damaged, too large inside, or no DOCX
 */
export async function readDocx(bytes: Uint8Array): Promise<Block[]> {
  await checkArchive(bytes);
  try {
    const { value } = await mammoth.convertToHtml(
      { buffer: Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength) },
      { styleMap: STYLES, convertImage: mammoth.images.imgElement(async () => ({ src: '' })) },
    );
    return readHtml(wellFormed(value));
  } catch (error) {
    if (error instanceof RefusedFileError) throw error;
    throw new RefusedFileError('The file is not a word processor document that can be read, or it is damaged.');
  }
}
