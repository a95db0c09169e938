import sharp from 'sharp';
import { type Adjusted, blurOf, sharpenPixels } from '@/core/pictures/adjusting';

/** Draws out the edges of pixels of four bytes, in place, where that is asked for. */
export async function sharpenRaw(
  data: Buffer,
  { width, height }: { width: number; height: number },
  adjusted: Adjusted,
): Promise<void> {
  const blur = blurOf(adjusted, width);
  if (blur === undefined) return;
  const raw = { width, height, channels: 4 } as const;
  sharpenPixels(data, await sharp(data, { raw }).blur(blur).raw().toBuffer(), adjusted.sharpen!.amount);
}
