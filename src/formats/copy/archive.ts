import yauzl from 'yauzl';
import { RefusedFileError } from '../refused';

/** What a package (DOCX and the like are zips) may hold. */
export const ARCHIVE_LIMITS = { entries: 2_000, bytes: 200_000_000 } as const;

/**
 * Unpacks every entry of a zip, counting and throwing away, to know that it is whole and of bearable size before
 * anything else opens it. Sizes that the zip itself states are not believed.
 *
 * @throws RefusedFileError when it is damaged or holds too much
 */
export async function checkArchive(
  bytes: Uint8Array,
  limits: { entries: number; bytes: number } = ARCHIVE_LIMITS,
): Promise<void> {
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
  let entries = 0;
  let total = 0;
  try {
    for await (const entry of zip.eachEntry()) {
      if (++entries > limits.entries) throw tooMuch();
      if (entry.fileName.endsWith('/')) continue;
      const stream = await zip.openReadStreamPromise(entry);
      for await (const piece of stream) {
        total += (piece as Buffer).length;
        if (total > limits.bytes) {
          stream.destroy();
          throw tooMuch();
        }
      }
    }
  } catch (error) {
    throw error instanceof RefusedFileError ? error : damaged();
  } finally {
    zip.close();
  }
}
