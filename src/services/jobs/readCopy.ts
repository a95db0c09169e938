import type { NewPicture } from '@/core/actions/pictures';
import { RefusedFileError } from '@/formats/refused';
import { counted } from '@/core/records/count';
import type { SentCopy, SentWords } from '@/formats/copy/sent';
import { getUpload } from '@/store/uploads';
import { inReader } from '../reading/readers';
import type { JobKind } from './kind';
import { keptPicture } from './readPicture';

/** A file that has come in, by the id it was kept under. */
export interface UploadOrder {
  readonly upload: string;
  /** What its letters are in, where a person says so. */
  readonly encoding?: string | undefined;
}

/** Copy that was read, and the pictures in it that were kept; nothing for one that could not be read. */
export interface BroughtCopy {
  readonly copy: SentWords;
  readonly pictures: readonly (NewPicture | null)[];
}

/** Reads a file of copy. Nothing of its words is kept: they become a story of an issue by a change. */
export const readCopy: JobKind<UploadOrder, BroughtCopy> = {
  name: 'read-copy',
  atOnce: 1,
  async run({ upload, encoding }, signal) {
    const copy = await inReader({ job: 'copy', encoding, ...(await getUpload(upload)) }, signal);
    return brought(copy, signal);
  },
};

/**
 * Copy with its pictures kept.
 *
 * @param bytesOf where the files of its pictures are elsewhere: gives one, or nothing where it is not to be had
 */
export async function brought(
  { pictures: found, ...copy }: SentCopy,
  signal: AbortSignal,
  bytesOf: (picture: number) => Promise<Uint8Array | undefined> = (i) => Promise.resolve(found[i]!.bytes),
): Promise<BroughtCopy> {
  const pictures: (NewPicture | null)[] = [];
  let missing = 0;
  for (const [i, { name }] of found.entries()) {
    const bytes = await bytesOf(i);
    if (!bytes) missing++;
    try {
      pictures.push(bytes ? (await keptPicture(name, bytes, signal)).picture : null);
    } catch (error) {
      if (!(error instanceof RefusedFileError)) throw error;
      pictures.push(null);
    }
  }
  const refused = pictures.filter((each) => each === null).length - missing;
  const dropped = [
    ...copy.dropped,
    ...(refused > 0 ? [counted(refused, 'picture of a kind that is not taken', 'pictures of a kind that is not taken')] : []),
    ...(missing > 0 ? [counted(missing, 'picture that was not to be had', 'pictures that were not to be had')] : []),
  ];
  return { copy: { ...copy, dropped, pictures: found.map(({ name, says }) => ({ name, says })) }, pictures };
}
