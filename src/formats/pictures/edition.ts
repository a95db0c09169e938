import sharp from 'sharp';
import type { PictureItem } from '@/core/compose/displayList/displayList';
import { adjustPixels } from '@/core/pictures/adjusting';
import type { PictureRecord } from '@/core/records/index';
import type { ShownPicture } from '../html/shownPicture';
import { PICTURE_PIXELS } from './read';
import { sharpenRaw } from './sharpened';

/** Widths that readers choose between, pixels: for a telephone, and for a sharp screen where it opens a story or stands in its text. */
const WIDTHS = { opening: [640, 1600], inText: [480, 1216] } as const;
/** A picture’s own width is worth a file where it is so much more than the smaller one. */
const WORTH = 1.2;

const JPEG = { quality: 80 } as const;
/** More effort takes many times as long for a tenth of the bytes. */
const AVIF = { quality: 52, effort: 0, chromaSubsampling: '4:2:0' } as const;
const PNG = { palette: true, effort: 2 } as const;

/** In which formats a picture is written, the one that all can show last. */
type EditionFormat = 'avif' | 'jpeg' | 'png';

/** The part of a picture, in its unit square, that its frame shows; undefined for all of it, or where it is turned. */
export function shownPart({ box, placed, inner }: Pick<PictureItem, 'box' | 'placed' | 'inner'>) {
  if (inner) return undefined;
  const share = (value: number) => Math.min(1, Math.max(0, value));
  const [x0, x1] = [share((box.x - placed.x) / placed.w), share((box.x + box.w - placed.x) / placed.w)];
  const [y0, y1] = [share((box.y - placed.y) / placed.h), share((box.y + box.h - placed.y) / placed.h)];
  const isAll = x0 < 0.005 && y0 < 0.005 && x1 > 0.995 && y1 > 0.995;
  return isAll || x1 - x0 < 0.01 || y1 - y0 < 0.01 ? undefined : { x: x0, y: y0, w: x1 - x0, h: y1 - y0 };
}

/**
 * A picture as files of an edition, as its frame shows it: cropped and adjusted, in the light of screens.
 *
 * @param bytes of the picture, or of the copy of it that screens are given
 * @param stem of the files' names, with their folder
 * @param use where it stands, and whether it is written as AVIF too, in two widths
 */
export async function editionPicture(
  picture: Pick<PictureRecord, 'media' | 'width' | 'transparent'>,
  bytes: Uint8Array,
  shown: PictureItem | undefined,
  alternative: string,
  stem: string,
  { place, avif }: { readonly place: keyof typeof WIDTHS; readonly avif: boolean },
): Promise<{ readonly shown: ShownPicture; readonly files: ReadonlyMap<string, Uint8Array> }> {
  const [least, most] = WIDTHS[place];
  const part = shown && shownPart(shown);
  // A drawing has as many pixels as it is asked for.
  const across = (part?.w ?? 1) * picture.width;
  const density = picture.media === 'image/svg+xml' ? { density: Math.min(2400, Math.max(72, (96 * most) / across)) } : {};
  let drawn = sharp(bytes, { limitInputPixels: PICTURE_PIXELS, ...density }).autoOrient();
  if (part) {
    const { width, height } = (await drawn.metadata()).autoOrient;
    // Brought down as it is read, and cut then: a JPEG gives fewer pixels in less time.
    const whole = Math.min(width, Math.ceil(most / part.w));
    drawn = drawn.resize({ width: whole }).extract(cut(part, whole, Math.max(1, Math.round((height * whole) / width))));
  } else drawn = drawn.resize({ width: most, withoutEnlargement: true });
  // What is cut and brought down once is the ground of all files.
  const { data, info } = await drawn
    .toColourspace('srgb')
    .ensureAlpha()
    .raw({ depth: 'uchar' })
    .toBuffer({ resolveWithObject: true });
  if (shown?.adjusted) {
    await sharpenRaw(data, info, shown.adjusted);
    adjustPixels(data, shown.adjusted);
  }
  const ground = sharp(data, { raw: { width: info.width, height: info.height, channels: 4 } });
  const fallback: EditionFormat = picture.transparent ? 'png' : 'jpeg';
  const files = new Map<string, Uint8Array>();
  const widths = avif && info.width > WORTH * least ? [least, info.width] : [info.width];
  const sources = await Promise.all(
    (avif ? (['avif', fallback] as const) : [fallback]).map(async (format) => ({
      media: `image/${format}`,
      files: await Promise.all(
        widths.map(async (width) => {
          const own = ground.clone().resize({ width });
          const opaque = picture.transparent ? own : own.removeAlpha();
          const out = format === 'avif' ? opaque.avif(AVIF) : format === 'png' ? opaque.png(PNG) : opaque.jpeg(JPEG);
          const path = `${stem}-${width}.${format === 'jpeg' ? 'jpg' : format}`;
          files.set(path, await out.toBuffer());
          return { path, width };
        }),
      ),
    })),
  );
  return { shown: { alternative, isCutOut: picture.transparent, width: info.width, height: info.height, sources }, files };
}

const cut = (part: { x: number; y: number; w: number; h: number }, width: number, height: number) => {
  const left = Math.min(width - 1, Math.round(part.x * width));
  const top = Math.min(height - 1, Math.round(part.y * height));
  return {
    left,
    top,
    width: Math.max(1, Math.min(width - left, Math.round(part.w * width))),
    height: Math.max(1, Math.min(height - top, Math.round(part.h * height))),
  };
};
