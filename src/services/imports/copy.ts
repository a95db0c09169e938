import type { ReadStory } from '@/formats/copy/story';
import { inReader } from '../reading/readers';

/** Reads a file of copy as a story. Nothing is stored: the story becomes part of an issue by a change. @throws RefusedFileError */
export const importCopy = (name: string, bytes: Uint8Array, signal?: AbortSignal): Promise<ReadStory> =>
  inReader({ job: 'copy', name, bytes }, signal);
