import { fileTypeFromBuffer } from 'file-type';
import exifr from 'exifr';
import sharp, { type Sharp } from 'sharp';
import { traceAlpha, traceBackground } from '@/core/pictures/trace';
import type { PictureRecord } from '@/core/records/index';
import { cutTo } from '@/core/records/plain';
import { megabytes, plainName, RefusedFileError } from '../refused';
import { checkSvg } from './svgSafety';

/** The largest picture file that is taken. */
export const PICTURE_BYTES = 100_000_000;

/** The most pixels a picture may have: an A2 poster at 600 to the inch, with room to spare. */
export const PICTURE_PIXELS = 160_000_000;

/** What the file chooser offers. */
export const PICTURE_ENDINGS = ['.jpg', '.jpeg', '.png', '.webp', '.svg'] as const;

/** Longer side of the copy that outlines are traced from, pixels. */
const TRACE_SIDE = 480;

const SHARP_LIMITS = { limitInputPixels: PICTURE_PIXELS, failOn: 'error' } as const;

/** What a picture's file says of it: all of a picture record but its id, order and blob. */
export type ReadPicture = Omit<PictureRecord, 'id' | 'kind' | 'order' | 'blob'>;

/**
 * Reads a picture: what it is by its content, its size, colours, caption and credit, and its outlines.
 *
 * @param step told when a part of the work is done that may take its time
 * @throws RefusedFileError with one sentence for the person who chose it
 */
export async function readPicture(fileName: string, bytes: Uint8Array, step: () => void = () => undefined): Promise<ReadPicture> {
  const name = plainName(fileName);
  if (bytes.length === 0) throw new RefusedFileError(`“${name}” is empty.`);
  if (bytes.length > PICTURE_BYTES)
    throw new RefusedFileError(`“${name}” is larger than ${megabytes(PICTURE_BYTES)}, the most that a picture may be.`, 413);
  const media = await mediaOf(name, bytes);
  if (media === 'image/svg+xml') checkSvg(name, new TextDecoder().decode(bytes));
  try {
    const metadata = await sharp(bytes, SHARP_LIMITS).metadata();
    if (metadata.width * metadata.height > PICTURE_PIXELS) throw tooManyPixels(name, metadata.width, metadata.height);
    const turned = (metadata.orientation ?? 1) >= 5;
    const words = media === 'image/svg+xml' ? {} : await wordsOf(media === 'image/webp' ? exifOf(metadata.exif) : bytes);
    step();
    // A drawing is looked at as large as it is shown at most, and is not taken where that takes too long.
    const looked = media === 'image/svg+xml' ? await drawn(bytes) : sharp(bytes, SHARP_LIMITS);
    step();
    const transparent = metadata.hasAlpha ? !(await looked.stats()).isOpaque : false;
    step();
    return {
      name: name.replace(/\.[^.]+$/, ''),
      media,
      width: turned ? metadata.height : metadata.width,
      height: turned ? metadata.width : metadata.height,
      colour: metadata.space === 'cmyk' ? 'cmyk' : metadata.space === 'b-w' || metadata.space === 'grey16' ? 'grey' : 'rgb',
      transparent,
      outlines: await outlinesOf(bytes, transparent),
      caption: words.caption ?? '',
      credit: words.credit ?? '',
    };
  } catch (error) {
    if (error instanceof RefusedFileError) throw error;
    if (/pixel limit|exceeds/i.test(String(error))) {
      const size = await sharp(bytes, { limitInputPixels: false })
        .metadata()
        .catch(() => undefined);
      throw size
        ? tooManyPixels(name, size.width, size.height)
        : new RefusedFileError(`“${name}” has more pixels than can be taken.`, 413);
    }
    throw new RefusedFileError(`“${name}” is damaged: the picture cannot be read.`);
  }
}

function tooManyPixels(name: string, width: number, height: number): RefusedFileError {
  const most = Math.round(PICTURE_PIXELS / 1_000_000);
  return new RefusedFileError(`“${name}” has ${width} × ${height} pixels; a picture may have ${most} million.`, 413);
}

async function mediaOf(name: string, bytes: Uint8Array): Promise<PictureRecord['media']> {
  // One that ends in the middle of what it is known by is none of these.
  const type = await fileTypeFromBuffer(bytes).catch(() => undefined);
  if (type?.mime === 'image/jpeg' || type?.mime === 'image/png' || type?.mime === 'image/webp') return type.mime;
  const start = new TextDecoder().decode(bytes.subarray(0, 2000));
  if (
    (!type || type.mime === 'application/xml') &&
    /<svg[\s>]/i.test(start + (start.includes('<!--') ? new TextDecoder().decode(bytes.subarray(0, 100_000)) : ''))
  ) {
    return 'image/svg+xml';
  }
  throw new RefusedFileError(`“${name}” is not a picture that can be brought in: take a JPEG, PNG, WebP or SVG file.`, 415);
}

/** The EXIF of a WebP, without the six bytes that introduce it in a JPEG; `exifr` reads it as the TIFF it is. */
function exifOf(exif: Uint8Array | undefined): Uint8Array | undefined {
  if (!exif) return undefined;
  return exif[0] === 0x45 && exif[1] === 0x78 ? exif.subarray(6) : exif;
}

/** Caption and credit from EXIF, IPTC or XMP, the first that has them. */
async function wordsOf(bytes: Uint8Array | undefined): Promise<{ caption?: string; credit?: string }> {
  if (!bytes) return {};
  const tags = (await exifr
    .parse(bytes, { exif: false, gps: false, interop: false, iptc: true, xmp: true })
    .catch(() => undefined)) as Record<string, unknown> | undefined;
  const first = (...keys: string[]) => {
    for (const key of keys) {
      const value = tags?.[key];
      const plain = typeof value === 'string' ? value : (value as { value?: unknown } | undefined)?.value;
      if (typeof plain === 'string' && plain.trim() !== '') return cutTo(plain.trim(), 400);
    }
    return undefined;
  };
  const caption = first('ImageDescription', 'Caption', 'description');
  const credit = first('Artist', 'Credit', 'Byline', 'creator');
  return { ...(caption ? { caption } : {}), ...(credit ? { credit } : {}) };
}

async function outlinesOf(bytes: Uint8Array, transparent: boolean): Promise<PictureRecord['outlines']> {
  const small = sharp(bytes, SHARP_LIMITS)
    .autoOrient()
    .resize(TRACE_SIDE, TRACE_SIDE, { fit: 'inside', withoutEnlargement: true });
  const { data, info } = await small.ensureAlpha().toColourspace('srgb').raw().toBuffer({ resolveWithObject: true });
  const { width, height } = info;
  const count = width * height;
  if (transparent) {
    const values = new Uint8Array(count);
    for (let i = 0; i < count; i++) values[i] = data[4 * i + 3]!;
    const alpha = traceAlpha({ width, height, values });
    return alpha ? { alpha } : {};
  }
  const rgb = new Uint8Array(3 * count);
  for (let i = 0; i < count; i++) rgb.set(data.subarray(4 * i, 4 * i + 3), 3 * i);
  const background = traceBackground({ width, height, rgb });
  return background ? { background } : {};
}

/** Longer side of the largest copy that a screen is given, pixels. */
const LARGEST_COPY = 3200;

/** A drawing at the size of the largest copy of it. */
const drawn = async (bytes: Uint8Array): Promise<Sharp> =>
  sharp(
    await sharp(bytes, SHARP_LIMITS)
      .resize(LARGEST_COPY, LARGEST_COPY, { fit: 'inside', withoutEnlargement: true })
      .png({ compressionLevel: 1 })
      .toBuffer(),
  );

/** A copy of a picture for a screen: at most `side` pixels at its longer side, as WebP. */
export async function screenCopy(bytes: Uint8Array, side: number): Promise<Uint8Array> {
  return sharp(bytes, { limitInputPixels: PICTURE_PIXELS })
    .autoOrient()
    .resize(side, side, { fit: 'inside', withoutEnlargement: true })
    .toColourspace('srgb')
    .webp({ quality: 86 })
    .toBuffer();
}
