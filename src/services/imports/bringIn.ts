import { randomUUID } from 'node:crypto';
import { dropUpload, putUpload } from '@/store/uploads';
import { jobs } from '../jobs/jobs';
import type { JobKind } from '../jobs/kind';
import { type TakenBundle, takeBundle } from '../jobs/takeBundle';
import { type BroughtCopy, readCopy, type UploadOrder } from '../jobs/readCopy';
import { getBlob } from '@/store/blobs';
import { type KeptPicture, keptPicture, readPicture } from '../jobs/readPicture';
import type { Upload } from './upload';

/** Keeps a file until it has been read, and gives what it was read as. @throws RefusedFileError, BusyError */
async function readBy<R>(kind: JobKind<UploadOrder, R>, { name, bytes, encoding }: Upload, signal?: AbortSignal): Promise<R> {
  const upload = randomUUID();
  await putUpload(upload, name, bytes);
  try {
    return await jobs().ask(kind, { upload, encoding }, signal, upload);
  } finally {
    await dropUpload(upload);
  }
}

export const importCopy = (upload: Upload, signal?: AbortSignal): Promise<BroughtCopy> => readBy(readCopy, upload, signal);

/** Another page of a PDF that a picture was taken of. @throws RefusedFileError, NoSuchBlobError */
export const pageOfPicture = async (blob: string, name: string, page: number, signal?: AbortSignal): Promise<KeptPicture> =>
  keptPicture(name, (await getBlob(blob)).bytes, signal, page);

/** Takes a bundle onto the shelf. @throws RefusedFileError, BusyError */
export const importBundle = (upload: Upload, signal?: AbortSignal): Promise<TakenBundle> => readBy(takeBundle, upload, signal);

export const importPicture = (upload: Upload, signal?: AbortSignal): Promise<KeptPicture> => readBy(readPicture, upload, signal);
