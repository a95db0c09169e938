import { randomUUID } from 'node:crypto';
import type { ReadStory } from '@/formats/copy/story';
import { dropUpload, putUpload } from '@/store/uploads';
import { jobs } from '../jobs/jobs';
import type { JobKind } from '../jobs/kind';
import { readCopy, type UploadOrder } from '../jobs/readCopy';
import { type KeptPicture, readPicture } from '../jobs/readPicture';

/** Keeps a file until it has been read, and gives what it was read as. @throws RefusedFileError, BusyError */
async function readBy<R>(kind: JobKind<UploadOrder, R>, name: string, bytes: Uint8Array, signal?: AbortSignal): Promise<R> {
  const upload = randomUUID();
  await putUpload(upload, name, bytes);
  try {
    return await jobs().ask(kind, { upload }, signal, upload);
  } finally {
    await dropUpload(upload);
  }
}

export const importCopy = (name: string, bytes: Uint8Array, signal?: AbortSignal): Promise<ReadStory> =>
  readBy(readCopy, name, bytes, signal);

export const importPicture = (name: string, bytes: Uint8Array, signal?: AbortSignal): Promise<KeptPicture> =>
  readBy(readPicture, name, bytes, signal);
