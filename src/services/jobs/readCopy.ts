import type { ReadStory } from '@/formats/copy/story';
import { getUpload } from '@/store/uploads';
import { inReader } from '../reading/readers';
import type { JobKind } from './kind';

/** A file that has come in, by the id it was kept under. */
export interface UploadOrder {
  readonly upload: string;
}

/** Reads a file of copy as a story. Nothing of it is kept: the story becomes part of an issue by a change. */
export const readCopy: JobKind<UploadOrder, ReadStory> = {
  name: 'read-copy',
  atOnce: 1,
  run: async ({ upload }, signal) => inReader({ job: 'copy', ...(await getUpload(upload)) }, signal),
};
