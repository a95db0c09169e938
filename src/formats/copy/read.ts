import { plainName, RefusedFileError, megabytes } from '../refused';
import { wellFormed } from '@/core/records/plain';
import type { Block, Copy } from './blocks';
import type { Decoded } from './encoding';

/** The largest file of copy that is taken. */
export const COPY_BYTES = 20_000_000;

/** The most text that one story may hold: a novel's, several times over. */
const MOST_CHARACTERS = 3_000_000;

/** What the file chooser offers. */
export const COPY_ENDINGS = ['.docx', '.odt', '.rtf', '.html', '.md', '.txt'] as const;

/**
 * Reads a file of copy. What it is follows from its ending and is then held against its content.
 *
 * @param encoding that a person says its letters are in, where it is text
 * @throws RefusedFileError with one sentence for the person who chose the file
 */
export async function readCopy(fileName: string, bytes: Uint8Array, encoding?: string): Promise<Copy> {
  const name = plainName(fileName);
  if (bytes.length === 0) throw new RefusedFileError(`“${name}” is empty.`);
  if (bytes.length > COPY_BYTES)
    throw new RefusedFileError(`“${name}” is larger than ${megabytes(COPY_BYTES)}, the most that copy may be.`, 413);
  const copy = await readByEnding(name, bytes, encoding);
  if (copy.blocks.length === 0) throw new RefusedFileError(`“${name}” holds no text.`);
  let size = 0;
  for (const each of copy.blocks) size += charactersIn(each);
  if (size > MOST_CHARACTERS)
    throw new RefusedFileError(
      `“${name}” holds ${Math.round(size / 1_000_000)} million characters; a story may have 3 million.`,
      413,
    );
  return copy;
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

/** What files of each kind begin with, and who reads them. */
const BINARY: Readonly<Record<string, { readonly begins: string; readonly called: string; readonly read: Reader }>> = {
  '.docx': { begins: 'PK', called: 'a DOCX file', read: async (bytes) => (await import('./docx')).readDocx(bytes) },
  '.odt': { begins: 'PK', called: 'an ODT file', read: async (bytes) => (await import('./odt')).readOdt(bytes) },
  '.rtf': { begins: '{\\rtf', called: 'an RTF file', read: async (bytes) => (await import('./rtf')).readRtf(bytes) },
};

type Reader = (bytes: Uint8Array) => Promise<Copy>;

/** What an encrypted DOCX begins with, and the binary files of old word processors ([MS-CFB], 2.2). */
const COMPOUND = '\u00d0\u00cf\u0011\u00e0';

async function readByEnding(name: string, bytes: Uint8Array, encoding: string | undefined): Promise<Copy> {
  const ending = /\.[^.]+$/.exec(name.toLowerCase())?.[0] ?? '';
  const binary = BINARY[ending];
  if (binary) {
    const beginning = String.fromCharCode(...bytes.subarray(0, 5));
    if (beginning.startsWith(COMPOUND))
      throw new RefusedFileError(
        `“${name}” is protected by a password, or comes from an old word processor. Save it as ${binary.called} without a password.`,
        415,
      );
    if (!beginning.startsWith(binary.begins))
      throw new RefusedFileError(`“${name}” is not ${binary.called}, whatever its name says.`, 415);
    try {
      return await binary.read(bytes);
    } catch (error) {
      if (error instanceof RefusedFileError)
        throw new RefusedFileError(error.message.replace(/^The file/, `“${name}”`), error.status);
      throw error;
    }
  }
  switch (ending) {
    case '.md':
    case '.markdown': {
      const { readMarkdown } = await import('./markdown');
      const { text, ...how } = await textOf(name, bytes, encoding);
      return { ...readMarkdown(text), ...how };
    }
    case '.html':
    case '.htm': {
      const { readHtml } = await import('./html');
      const { text, ...how } = await textOf(name, bytes, encoding ?? charsetOf(bytes));
      return { ...readHtml(text), ...how };
    }
    case '.txt': {
      const { readPlainText } = await import('./plainText');
      const { text, ...how } = await textOf(name, bytes, encoding);
      return { blocks: readPlainText(text), pictures: [], letters: [], dropped: [], plain: text, ...how };
    }
    default:
      throw new RefusedFileError(
        `“${name}” is not copy that can be brought in: take a ${COPY_ENDINGS.join(', ').replace(/, ([^,]*)$/, ' or $1')} file.`,
        415,
      );
  }
}

/** What a page says it is encoded in (HTML Standard, “prescan a byte stream”): within its first 1,024 bytes. */
const charsetOf = (bytes: Uint8Array): string | undefined =>
  /<meta[^>]+charset\s*=\s*["']?([\w-]+)/i.exec(String.fromCharCode(...bytes.subarray(0, 1024)))?.[1];

/** A file as text; anything with characters that no text has is refused. */
async function textOf(
  name: string,
  bytes: Uint8Array,
  said: string | undefined,
): Promise<{ readonly text: string; readonly encoding: string | undefined }> {
  const { decoded } = await import('./encoding');
  const { text, encoding, isGuess }: Decoded = decoded(bytes, said);
  if (/[\u0000-\u0008\u000e-\u001f]/.test(text)) throw new RefusedFileError(`“${name}” is not a text file.`, 415);
  return { text: wellFormed(text), encoding: isGuess || said !== undefined ? encoding : undefined };
}
