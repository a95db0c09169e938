import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { Composer } from '@/core/compose/composer';
import { facesOf } from '@/core/compose/paragraph/faces';
import type { Document } from '@/core/records/document';
import { CATALOGUE } from '@/core/type/catalogue';
import { FaceError, readFace } from '@/core/type/face';
import { HYPHENATION_LANGUAGES, loadHyphenation } from '@/core/type/hyphenation';
import { Shaper } from '@/core/type/shaper';

const require = createRequire(import.meta.url);

// Whoever has the faces at hand has every language too.
await loadHyphenation(HYPHENATION_LANGUAGES);

/** Where a face's file lies on this machine: in the package that ships it. @throws FaceError */
export function facePath(id: string): string {
  const face = CATALOGUE.find((each) => each.id === id);
  if (!face) throw new FaceError(`There is no face “${id}”.`);
  return require.resolve(face.file);
}

/** Loads faces into a shaper, those it lacks. @throws FaceError */
export async function loadFaces(shaper: Shaper, ids: Iterable<string>): Promise<void> {
  for (const id of ids) {
    if (!shaper.hasFace(id)) shaper.addFace(readFace(id, new Uint8Array(await readFile(facePath(id)))));
  }
}

/** A composer with all faces that a document may be set in, and its shaper. @throws FaceError */
export async function composerFor(document: Document): Promise<{ composer: Composer; shaper: Shaper }> {
  const shaper = new Shaper();
  await loadFaces(shaper, facesOf(document));
  return { composer: new Composer(shaper), shaper };
}
