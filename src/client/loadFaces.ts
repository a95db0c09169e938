import { readFace } from '@/core/type/face';
import { faceUrl } from '@/core/type/fontFaces';
import type { Shaper } from '@/core/type/shaper';

/** Fetches the faces a shaper lacks. @throws Error naming the face that could not be had */
export async function loadFaces(shaper: Shaper, ids: readonly string[]): Promise<void> {
  const missing = ids.filter((id) => !shaper.hasFace(id));
  await Promise.all(
    missing.map(async (id) => {
      const response = await fetch(faceUrl(id));
      if (!response.ok) throw new Error(`The face “${id}” could not be loaded.`);
      shaper.addFace(readFace(id, new Uint8Array(await response.arrayBuffer())));
    }),
  );
}
