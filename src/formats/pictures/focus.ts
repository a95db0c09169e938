import sharp from 'sharp';
import smartcrop from 'smartcrop';
import type { Point } from '@/core/geometry/box';

/** Pixels of the longer side of the copy that is looked at. */
const LOOKED = 256;

/** What of a picture's shorter side the subject is looked for in. */
const PART = 0.6;

/**
 * Proposes a picture's focus: the middle of the square in which there is most to see, by detail, saturation and colours of
 * skin (`smartcrop`). Undefined where the whole of the picture is as good.
 *
 * @param rgb pixels, three bytes each
 */
export async function proposedFocus(rgb: Uint8Array, width: number, height: number): Promise<Point | undefined> {
  const scale = Math.min(1, LOOKED / Math.max(width, height));
  const w = Math.max(8, Math.round(width * scale));
  const h = Math.max(8, Math.round(height * scale));
  const { data } = await sharp(rgb, { raw: { width, height, channels: 3 } })
    .resize(w, h, { fit: 'fill' })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const side = Math.round(PART * Math.min(w, h));
  if (side < 8) return undefined;
  const found = await smartcrop.crop(
    { width: w, height: h } as unknown as CanvasImageSource,
    {
      width: side,
      height: side,
      minScale: PART,
      maxScale: PART,
      ruleOfThirds: false,
      prescale: false,
      imageOperations: {
        open: (image: unknown) => Promise.resolve(image),
        resample: (image: unknown) => Promise.resolve(image),
        getData: () => Promise.resolve({ width: w, height: h, data }),
      },
    } as never,
  );
  const { x, y, width: cw, height: ch } = found.topCrop;
  return { x: round((x + cw / 2) / w), y: round((y + ch / 2) / h) };
}

const round = (share: number): number => Math.round(Math.min(1, Math.max(0, share)) * 1000) / 1000;
