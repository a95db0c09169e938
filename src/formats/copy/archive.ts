import yauzl from 'yauzl';
import { RefusedFileError } from '../refused';

/** What a package (DOCX and the like are zips) may hold. */
export const ARCHIVE_LIMITS = { entries: 2_000, bytes: 200_000_000 } as const;

/** What was found in a package: the names of all its entries, and the bytes of those that were asked for. */
export interface Archive {
  readonly names: readonly string[];
  readonly entries: ReadonlyMap<string, Uint8Array>;
}

/**
 * Unpacks every entry of a zip to know that it is whole and of bearable size before anything else opens it, and keeps
 * those that are wanted. Sizes that the zip itself states are not believed.
 *
 * @param wanted whether an entry of that name is kept
 * @throws RefusedFileError when it is damaged or encrypted, or holds too much
 */
export async function readArchive(
  bytes: Uint8Array,
  wanted: (name: string) => boolean = () => false,
  limits: { entries: number; bytes: number } = ARCHIVE_LIMITS,
): Promise<Archive> {
  const damaged = () => new RefusedFileError('The file is damaged: it cannot be unpacked.');
  const tooMuch = () => new RefusedFileError('The file unpacks to far more than a document holds, so it was not opened.', 413);
  let zip: yauzl.ZipFile;
  try {
    zip = await yauzl.fromBufferPromise(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength), {
      lazyEntries: true,
      validateEntrySizes: true,
    });
  } catch {
    throw damaged();
  }
  const names: string[] = [];
  const entries = new Map<string, Uint8Array>();
  let total = 0;
  try {
    for await (const entry of zip.eachEntry()) {
      if (names.length === limits.entries) throw tooMuch();
      names.push(entry.fileName);
      if (entry.fileName.endsWith('/')) continue;
      if (entry.isEncrypted()) throw new RefusedFileError('The file is protected by a password. Save it without one.');
      const pieces: Buffer[] | undefined = wanted(entry.fileName) ? [] : undefined;
      const stream = await zip.openReadStreamPromise(entry);
      for await (const piece of stream) {
        total += (piece as Buffer).length;
        if (total > limits.bytes) {
          stream.destroy();
          throw tooMuch();
        }
        pieces?.push(piece as Buffer);
      }
      if (pieces) entries.set(entry.fileName, new Uint8Array(Buffer.concat(pieces)));
    }
  } catch (error) {
    throw error instanceof RefusedFileError ? error : damaged();
  } finally {
    zip.close();
  }
  return { names, entries };
}

/** An entry as the text that XML is. */
export const textIn = ({ entries }: Archive, name: string): string => new TextDecoder().decode(entries.get(name));
