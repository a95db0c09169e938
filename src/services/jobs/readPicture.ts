import type { ReadPicture } from '@/formats/pictures/read';
import { putBlob } from '@/store/blobs';
import { getUpload } from '@/store/uploads';
import { inReader } from '../reading/readers';
import type { JobKind } from './kind';

/** A picture that was read, and its file by the name it is kept under. */
export type KeptPicture = ReadPicture & { readonly blob: string };

/** Reads a picture and keeps its file. @throws RefusedFileError */
export async function keptPicture(name: string, bytes: Uint8Array, signal: AbortSignal): Promise<KeptPicture> {
  const picture = await inReader({ job: 'picture', name, bytes }, signal);
  return { ...picture, blob: await putBlob(picture.media, bytes) };
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
