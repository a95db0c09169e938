import { facesOf, languagesOf } from '@/core/compose/paragraph/faces';
import type { Document } from '@/core/records/document';
import { readFace } from '@/core/type/face';
import { loadHyphenation } from '@/core/type/hyphenation';
import type { Shaper } from '@/core/type/shaper';
import { faceFile } from './earlyFaces';

/** Fetches what a document is set with and is not there yet: faces, hyphenation. @throws Error naming what could not be had */
export async function loadNeeds(document: Document, shaper: Shaper): Promise<void> {
  await Promise.all([loadFaces(shaper, facesOf(document)), loadHyphenation(languagesOf(document))]);
}

async function loadFaces(shaper: Shaper, ids: readonly string[]): Promise<void> {
  const missing = ids.filter((id) => !shaper.hasFace(id));
  await Promise.all(
    missing.map(async (id) => {
      const file = await faceFile(id);
      if (!shaper.hasFace(id)) shaper.addFace(readFace(id, file));
    }),
  );
}
