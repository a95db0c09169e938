import { copySide } from '@/core/pictures/screen';
import { getBlob } from '@/store/blobs';
import { Kept } from './kept';
import { inReader } from './reading/readers';

/** Copies that were made lately. */
const kept = new Kept<Uint8Array>(120);

/** A kept file, or a copy of a picture for a screen. @throws NoSuchBlobError */
export async function pictureCopy(
  sha256: string,
  side: number,
  signal?: AbortSignal,
): Promise<{ media: string; bytes: Uint8Array }> {
  const fitting = copySide(side);
  const make = async (stop: AbortSignal) => {
    const { bytes } = await getBlob(sha256);
    return inReader({ job: 'screenCopy', side: fitting, bytes }, stop);
  };
  return { media: 'image/webp', bytes: await kept.get(`${sha256}-${fitting}`, make, signal) };
}
