import type { ReadPicture } from '@/formats/pictures/read';
import { putBlob } from '@/store/blobs';
import { inReader } from '../reading/readers';

/** Reads a picture and keeps its file. It becomes part of an issue by a change. @throws RefusedFileError */
export async function importPicture(
  name: string,
  bytes: Uint8Array,
  signal?: AbortSignal,
): Promise<ReadPicture & { blob: string }> {
  const picture = await inReader({ job: 'picture', name, bytes }, signal);
  return { ...picture, blob: await putBlob(picture.media, bytes) };
}
