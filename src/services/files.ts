import { screenCopy } from '@/formats/pictures/read';
import { getBlob } from '@/store/blobs';

/** Sides of screen copies that are made: the next larger one is given. */
export const COPY_SIDES = [200, 400, 800, 1600, 3200] as const;

/** Copies that were made lately. */
const kept = new Map<string, Promise<Uint8Array>>();
const KEPT = 120;

/** A kept file, or a copy of a picture for a screen. @throws NoSuchBlobError */
export async function pictureCopy(sha256: string, side: number): Promise<{ media: string; bytes: Uint8Array }> {
  const fitting = COPY_SIDES.find((each) => each >= side) ?? COPY_SIDES.at(-1)!;
  const key = `${sha256}-${fitting}`;
  let copy = kept.get(key);
  if (!copy) {
    copy = getBlob(sha256).then(({ bytes }) => screenCopy(bytes, fitting));
    kept.set(key, copy);
    copy.catch(() => kept.delete(key));
    for (const old of kept.keys()) if (kept.size > KEPT) kept.delete(old);
  }
  return { media: 'image/webp', bytes: await copy };
}
