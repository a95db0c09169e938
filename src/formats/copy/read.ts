import { plainName, RefusedFileError, megabytes } from '../refused';
import { wellFormed } from '@/core/records/plain';
import type { Block } from './blocks';

/** The largest file of copy that is taken. */
export const COPY_BYTES = 20_000_000;

/** The most text that one story may hold: a novel's, several times over. */
const MOST_CHARACTERS = 3_000_000;

/** What the file chooser offers. */
export const COPY_ENDINGS = ['.docx', '.html', '.md', '.txt'] as const;

/**
 * Reads a file of copy. What it is follows from its ending and is then held against its content.
 *
 * @throws RefusedFileError with one sentence for the person who chose the file
 */
export async function readCopy(fileName: string, bytes: Uint8Array): Promise<Block[]> {
  const name = plainName(fileName);
  if (bytes.length === 0) throw new RefusedFileError(`“${name}” is empty.`);
  if (bytes.length > COPY_BYTES)
    throw new RefusedFileError(`“${name}” is larger than ${megabytes(COPY_BYTES)}, the most that copy may be.`, 413);
  const blocks = await readBlocks(name, bytes);
  if (blocks.length === 0) throw new RefusedFileError(`“${name}” holds no text.`);
  let size = 0;
  for (const each of blocks) size += charactersIn(each);
  if (size > MOST_CHARACTERS)
    throw new RefusedFileError(
      `“${name}” holds ${Math.round(size / 1_000_000)} million characters; a story may have 3 million.`,
      413,
    );
  return blocks;
}

function charactersIn({ content, table }: Block): number {
  let size = 0;
  for (const node of content) size += node.text?.length ?? 1;
  for (const row of table?.rows ?? [])
    for (const cell of row) {
      size++;
      for (const block of cell.blocks) size += charactersIn(block);
    }
  return size;
}

async function readBlocks(name: string, bytes: Uint8Array): Promise<Block[]> {
  const ending = /\.[^.]+$/.exec(name.toLowerCase())?.[0];
  switch (ending) {
    case '.docx': {
      if (bytes[0] !== 0x50 || bytes[1] !== 0x4b)
        throw new RefusedFileError(`“${name}” is not a DOCX file, whatever its name says.`, 415);
      const { readDocx } = await import('./docx');
      try {
        return await readDocx(bytes);
      } catch (error) {
        if (error instanceof RefusedFileError)
          throw new RefusedFileError(error.message.replace(/^The file/, `“${name}”`), error.status);
        throw error;
      }
    }
    case '.md':
    case '.markdown': {
      const { readMarkdown } = await import('./markdown');
      return readMarkdown(decoded(name, bytes));
    }
    case '.html':
    case '.htm': {
      const { readHtml } = await import('./html');
      return readHtml(decoded(name, bytes));
    }
    case '.txt': {
      const { readPlainText } = await import('./plainText');
      return readPlainText(decoded(name, bytes));
    }
    default:
      throw new RefusedFileError(
        `“${name}” is not copy that can be brought in: take a ${COPY_ENDINGS.join(', ').replace(/, ([^,]*)$/, ' or $1')} file.`,
        415,
      );
  }
}

/** Text in UTF-8, or UTF-16 with a byte order mark; anything with bytes that no text has is refused. */
function decoded(name: string, bytes: Uint8Array): string {
  const encoding =
    bytes[0] === 0xff && bytes[1] === 0xfe ? 'utf-16le' : bytes[0] === 0xfe && bytes[1] === 0xff ? 'utf-16be' : 'utf-8';
  let text: string;
  try {
    text = new TextDecoder(encoding, { fatal: true }).decode(bytes);
  } catch {
    // Older files: every byte sequence is text in Windows-1252, so only those without control characters pass.
    text = new TextDecoder('windows-1252').decode(bytes);
  }
  if (/[\u0000-\u0008\u000e-\u001f]/.test(text)) throw new RefusedFileError(`“${name}” is not a text file.`, 415);
  return wellFormed(text);
}
