import { readCopy } from '@/formats/copy/read';
import { storyOf, type ReadStory } from '@/formats/copy/story';
import { plainName } from '@/formats/refused';

/** Reads a file of copy as a story. Nothing is stored: the story becomes part of an issue by a change. @throws RefusedFileError */
export async function importCopy(fileName: string, bytes: Uint8Array): Promise<ReadStory> {
  return storyOf(plainName(fileName), await readCopy(fileName, bytes));
}
