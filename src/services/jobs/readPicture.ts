import type { NewPicture } from '@/core/actions/pictures';
import { getUpload } from '@/store/uploads';
import { keepPicture } from '../keepPicture';
import { inReader } from '../reading/readers';
import type { JobKind } from './kind';

/** A picture that was read, with its files by the names they are kept under, and what is to be said of it. */
export interface KeptPicture {
  readonly picture: NewPicture;
  readonly notes: readonly string[];
}

/** Reads a picture and keeps its files. @param page of a PDF @throws RefusedFileError */
export async function keptPicture(name: string, bytes: Uint8Array, signal?: AbortSignal, page?: number): Promise<KeptPicture> {
  const read = await inReader({ job: 'picture', name, bytes, page }, signal);
  return { picture: await keepPicture(read, bytes), notes: read.notes };
}

/** Reads a picture that came in by itself. It becomes part of an issue by a change. */
export const readPicture: JobKind<{ readonly upload: string }, KeptPicture> = {
  name: 'read-picture',
  atOnce: 1,
  async run({ upload }, signal) {
    const { name, bytes } = await getUpload(upload);
    return keptPicture(name, bytes, signal);
  },
};
