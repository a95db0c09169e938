import sharp from 'sharp';
import { chance } from './drawing';

/** A picture of the demo: how it is drawn, the file it becomes, and what its own metadata says of it. */
export interface DemoPicture {
  readonly file: string;
  readonly caption: string;
  readonly credit: string;
  /** Strength of the paper grain over it, so that large areas do not look poured; 0 for none. */
  readonly grain: number;
  /** Pixels to a unit of the drawing; 1 when not said. */
  readonly scale?: number;
  readonly draw: () => string | Promise<string>;
}

/** Side of the square of grain that is laid side by side, pixels: a small picture takes a small one. */
const GRAIN_SIDES = { large: 1024, small: 256 } as const;

const noiseOf = new Map<string, Buffer>();

function noise(grain: number, side: number): Buffer {
  const key = `${grain} ${side}`;
  const kept = noiseOf.get(key);
  if (kept) return kept;
  const random = chance(7);
  const made = Buffer.alloc(side * side * 3);
  for (let i = 0; i < made.length; i += 3) made.fill(128 + (random() + random() - 1) * grain, i, i + 3);
  noiseOf.set(key, made);
  return made;
}

/** Draws a picture as the file it is said to be, with caption and credit in its own metadata. */
export async function drawn(picture: DemoPicture): Promise<Uint8Array> {
  const drawing = await picture.draw();
  const ending = picture.file.split('.').at(-1);
  // A drawing stays one: it is sharp at any size.
  if (ending === 'svg') return Buffer.from(drawing);
  let image = sharp(Buffer.from(drawing), { limitInputPixels: 40_000_000, density: 72 * (picture.scale ?? 1) });
  if (picture.grain > 0) {
    const { width = 0, height = 0 } = await image.metadata();
    const side = Math.min(width, height) < GRAIN_SIDES.large ? GRAIN_SIDES.small : GRAIN_SIDES.large;
    const tile = { width: side, height: side, channels: 3 as const };
    image = image
      .flatten({ background: '#fff' })
      .composite([{ input: noise(picture.grain, side), raw: tile, tile: true, blend: 'soft-light' }]);
  }
  image = image.withExif({
    IFD0: { ImageDescription: picture.caption, Artist: picture.credit, Copyright: 'Restless Kite demo' },
  });
  if (ending === 'png') return image.png({ compressionLevel: 9 }).toBuffer();
  if (ending === 'webp') return image.flatten({ background: '#fff' }).webp({ quality: 90 }).toBuffer();
  if (ending === 'tif') return image.flatten({ background: '#fff' }).tiff({ compression: 'lzw' }).toBuffer();
  return image.flatten({ background: '#fff' }).jpeg({ quality: 90, chromaSubsampling: '4:4:4' }).toBuffer();
}
