import { faceUrl } from '@/core/type/fontFaces';

/**
 * Faces that are fetched with a worker's first lines, before HarfBuzz is there to read them: whoever starts a worker
 * names in its name those it will need. It stands first among a worker's imports, which wait for HarfBuzz.
 */
const early = new Map(
  self.name
    .split(' ')
    .filter(Boolean)
    .map((id) => [id, fetchFace(id)]),
);

/** The file of a face, which is asked for once. @throws Error naming the face that could not be had */
export function faceFile(id: string): Promise<Uint8Array> {
  const file = early.get(id) ?? fetchFace(id);
  early.delete(id);
  return file;
}

async function fetchFace(id: string): Promise<Uint8Array> {
  // The page itself comes first: this is for when it is there.
  const response = await fetch(faceUrl(id), { priority: 'low' });
  if (!response.ok) throw new Error(`The face “${id}” could not be loaded.`);
  return new Uint8Array(await response.arrayBuffer());
}
