import { RefusedFileError } from '@/formats/refused';
import { counted } from '@/core/records/count';
import type { SentWords } from '@/formats/copy/sent';
import { getUpload } from '@/store/uploads';
import { inReader } from '../reading/readers';
import type { JobKind } from './kind';
import { type KeptPicture, keptPicture } from './readPicture';

/** A file that has come in, by the id it was kept under. */
export interface UploadOrder {
  readonly upload: string;
  /** What its letters are in, where a person says so. */
  readonly encoding?: string | undefined;
}

/** Copy that was read, and the pictures in it that were kept; nothing for one that could not be read. */
export interface BroughtCopy {
  readonly copy: SentWords;
  readonly pictures: readonly (KeptPicture | null)[];
}

/** Reads a file of copy. Nothing of its words is kept: they become a story of an issue by a change. */
export const readCopy: JobKind<UploadOrder, BroughtCopy> = {
  name: 'read-copy',
  atOnce: 1,
  async run({ upload, encoding }, signal) {
    const { pictures: found, ...copy } = await inReader({ job: 'copy', encoding, ...(await getUpload(upload)) }, signal);
    const pictures: (KeptPicture | null)[] = [];
    for (const { name, bytes } of found) {
      try {
        pictures.push(await keptPicture(name, bytes, signal));
      } catch (error) {
        if (!(error instanceof RefusedFileError)) throw error;
        pictures.push(null);
      }
    }
    const lost = pictures.filter((each) => each === null).length;
    const dropped = [
      ...copy.dropped,
      ...(lost > 0 ? [counted(lost, 'picture of a kind that is not taken', 'pictures of a kind that is not taken')] : []),
    ];
    return { copy: { ...copy, dropped, pictures: found.map(({ name, says }) => ({ name, says })) }, pictures };
  },
};
