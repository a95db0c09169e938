import { Shaper } from '@/core/type/shaper';
import { loadFaces } from '@/formats/faces/files';

/** A shaper with faces loaded. */
export async function shaperWith(...ids: string[]): Promise<Shaper> {
  const shaper = new Shaper();
  await loadFaces(shaper, ids);
  return shaper;
}

export { composerFor } from '@/formats/faces/files';
