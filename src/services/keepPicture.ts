import type { NewPicture } from '@/core/actions/pictures';
import type { ReadPicture } from '@/formats/pictures/read';
import { putBlob } from '@/store/blobs';

/** Keeps the files of a picture that was read; gives it by the names they are kept under. @param bytes the file that was read */
export async function keepPicture({ facts, preview, drawing }: ReadPicture, bytes: Uint8Array): Promise<NewPicture> {
  return {
    ...facts,
    blob: await putBlob(facts.media, bytes),
    ...(preview ? { preview: await putBlob('image/webp', preview) } : {}),
    ...(drawing ? { drawing: await putBlob('application/pdf', drawing) } : {}),
  };
}
