import { readPicture, type ReadPicture } from '@/formats/pictures/read';
import { putBlob } from '@/store/blobs';

/** Reads a picture and keeps its file. It becomes part of an issue by a change. @throws RefusedFileError */
export async function importPicture(fileName: string, bytes: Uint8Array): Promise<ReadPicture & { blob: string }> {
  const picture = await readPicture(fileName, bytes);
  return { ...picture, blob: await putBlob(picture.media, bytes) };
}
