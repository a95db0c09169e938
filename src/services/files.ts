import { getBlob } from '@/store/blobs';
import { Kept } from './kept';
import { inReader } from './reading/readers';

/** Sides of screen copies that are made: the next larger one is given. */
export const COPY_SIDES = [200, 400, 800, 1600, 3200] as const;

/** Copies that were made lately. */
const kept = new Kept<Uint8Array>(120);

/** A kept file, or a copy of a picture for a screen. @throws NoSuchBlobError */
export async function pictureCopy(
  sha256: string,
  side: number,
  signal?: AbortSignal,
): Promise<{ media: string; bytes: Uint8Array }> {
  const fitting = COPY_SIDES.find((each) => each >= side) ?? COPY_SIDES.at(-1)!;
  const make = async (stop: AbortSignal) => {
    const { bytes } = await getBlob(sha256);
    return inReader({ job: 'screenCopy', side: fitting, bytes }, stop);
  };
  return { media: 'image/webp', bytes: await kept.get(`${sha256}-${fitting}`, make, signal) };
}
