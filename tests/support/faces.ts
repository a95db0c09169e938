import { Composer } from '@/core/compose/compose';
import { facesOf } from '@/core/compose/faces';
import type { Document } from '@/core/records/document';
import { Shaper } from '@/core/type/shaper';
import { loadFaces } from '@/formats/faces/files';

/** A shaper with faces loaded. */
export async function shaperWith(...ids: string[]): Promise<Shaper> {
  const shaper = new Shaper();
  await loadFaces(shaper, ids);
  return shaper;
}

/** A composer ready for a document, with its shaper. */
export async function composerFor(document: Document): Promise<{ composer: Composer; shaper: Shaper }> {
  const shaper = new Shaper();
  await loadFaces(shaper, facesOf(document));
  return { composer: new Composer(shaper), shaper };
}
