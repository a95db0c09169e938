import { fileTypeFromBuffer } from 'file-type';
import sharp, { type Metadata, type Sharp } from 'sharp';
import { COPY_SIDES } from '@/core/pictures/screen';
import { traceAlpha, traceBackground } from '@/core/pictures/trace';
import type { PictureRecord } from '@/core/records/index';
import { megabytes, plainName, RefusedFileError } from '../refused';
import { pdfOfEps, readPdf } from './drawings';
import { proposedFocus } from './focus';
import { readProfile } from './profile';
import { checkSvg } from './svgSafety';
import { wordsIn } from './words';

/** The largest picture file that is taken. */
export const PICTURE_BYTES = 100_000_000;

/** The most pixels a picture may have: an A2 poster at 600 to the inch, with room to spare. */
export const PICTURE_PIXELS = 160_000_000;

/** Longer side of the copy that outlines are traced from, pixels. */
const TRACE_SIDE = 480;

/** Longer side of the picture that is kept of what screens cannot show as it is, or not fast: the largest copy they are given. */
const PREVIEW_SIDE = COPY_SIDES.at(-1)!;

/** Pixels above which a smaller picture is kept beside a picture: to make each copy from the whole would take seconds. */
const LARGE = 12_000_000;

const SHARP_LIMITS = { limitInputPixels: PICTURE_PIXELS, failOn: 'error' } as const;

/** What a picture's file says of it: all of a picture record but its id, its order and its files. */
export type PictureFacts = Omit<PictureRecord, 'id' | 'kind' | 'order' | 'blob' | 'preview' | 'drawing' | 'story'>;

export interface ReadPicture {
  readonly facts: PictureFacts;
  /** A picture of it for screens, as WebP, where they cannot be given the file itself. */
  readonly preview?: Uint8Array | undefined;
  /** Of an EPS: the same as PDF. */
  readonly drawing?: Uint8Array | undefined;
  /** What the person who chose it should know, one sentence each. */
  readonly notes: readonly string[];
}

/**
 * Reads a picture: what it is by its content, its size, colours, words, focus and outlines.
 *
 * @param step told when a part of the work is done that may take its time
 * @param page of a PDF, from 1
 * @throws RefusedFileError with one sentence for the person who chose it
 */
export async function readPicture(
  fileName: string,
  bytes: Uint8Array,
  step: () => void = () => undefined,
  page = 1,
): Promise<ReadPicture> {
  const name = plainName(fileName);
  if (bytes.length === 0) throw new RefusedFileError(`“${name}” is empty.`);
  if (bytes.length > PICTURE_BYTES)
    throw new RefusedFileError(`“${name}” is larger than ${megabytes(PICTURE_BYTES)}, the most that a picture may be.`, 413);
  const media = await mediaOf(name, bytes);
  if (media === 'application/pdf' || media === 'application/postscript') return readPage(name, bytes, media, page, step);
  if (media === 'image/svg+xml') checkSvg(name, new TextDecoder().decode(bytes));
  try {
    const metadata = await sharp(bytes, SHARP_LIMITS).metadata();
    if (metadata.width * metadata.height > PICTURE_PIXELS) throw tooManyPixels(name, metadata.width, metadata.height);
    const turned = (metadata.orientation ?? 1) >= 5;
    const isSvg = media === 'image/svg+xml';
    const words = isSvg ? NO_WORDS : await wordsIn(bytes, metadata, media);
    step();
    // A drawing is looked at as large as it is shown at most, and is not taken where that takes too long.
    const looked = isSvg ? await drawn(bytes) : sharp(bytes, SHARP_LIMITS);
    step();
    const transparent = metadata.hasAlpha ? !(await looked.stats()).isOpaque : false;
    step();
    const profile = readProfile(metadata.icc);
    const isDeep = metadata.depth === 'ushort';
    const colour = colourOf(metadata.space);
    const large =
      metadata.width * metadata.height > LARGE || colour === 'cmyk' || media === 'image/tiff' || media === 'image/avif';
    const facts: PictureFacts = {
      name: nameOf(name),
      media,
      width: turned ? metadata.height : metadata.width,
      height: turned ? metadata.width : metadata.height,
      colour,
      ...(isDeep ? { depth: 16 as const } : {}),
      ...(profile ? { profile: profile.name } : {}),
      transparent,
      ...(await seenIn(bytes, transparent)),
      ...words,
    };
    const preview = large && !isSvg ? await screenCopy(bytes, PREVIEW_SIDE) : undefined;
    return { facts, preview, notes: notesOf(name, metadata, profile !== undefined) };
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

/** Reads a page of a PDF, or an EPS as one. */
async function readPage(
  name: string,
  bytes: Uint8Array,
  media: 'application/pdf' | 'application/postscript',
  page: number,
  step: () => void,
): Promise<ReadPicture> {
  const pdf = media === 'application/pdf' ? bytes : await pdfOfEps(name, bytes);
  step();
  const { width, height, pages, colour, shown } = await readPdf(name, pdf, page, PREVIEW_SIDE, step);
  const transparent = !(await sharp(shown, SHARP_LIMITS).stats()).isOpaque;
  const facts: PictureFacts = {
    name: nameOf(name),
    media,
    width,
    height,
    colour,
    transparent,
    ...(media === 'application/pdf' ? { page, pages } : {}),
    ...(await seenIn(shown, transparent)),
    ...NO_WORDS,
  };
  return {
    facts,
    preview: await sharp(shown, SHARP_LIMITS).webp({ quality: 90 }).toBuffer(),
    drawing: media === 'application/postscript' ? pdf : undefined,
    notes: pages > 1 && page === 1 ? [`“${name}” has ${pages} pages; this is the first. Another is chosen in its detail.`] : [],
  };
}

/** What a picture is called at first: its file, without what says its kind. */
const nameOf = (fileName: string): string => fileName.replace(/\.[^.]+$/, '');

const NO_WORDS = { caption: '', credit: '' } as const;

const colourOf = (space: string): PictureRecord['colour'] =>
  space === 'cmyk' ? 'cmyk' : space === 'b-w' || space === 'grey16' ? 'grey' : 'rgb';

/** What of a file is not taken in as it is. */
function notesOf(name: string, { pages = 1, format, icc }: Metadata, hasProfile: boolean): readonly string[] {
  return [
    ...(pages > 1 && format !== 'svg'
      ? [`“${name}” holds ${pages} pictures, one after another; the first of them was taken.`]
      : []),
    ...(icc && !hasProfile ? [`The colour profile of “${name}” is broken; the picture was taken without it.`] : []),
  ];
}

function tooManyPixels(name: string, width: number, height: number): RefusedFileError {
  const most = Math.round(PICTURE_PIXELS / 1_000_000);
  return new RefusedFileError(`“${name}” has ${width} × ${height} pixels; a picture may have ${most} million.`, 413);
}

const MEDIA_OF: Readonly<Record<string, PictureRecord['media']>> = {
  'image/jpeg': 'image/jpeg',
  'image/png': 'image/png',
  'image/apng': 'image/png',
  'image/webp': 'image/webp',
  'image/tiff': 'image/tiff',
  'image/avif': 'image/avif',
  'image/gif': 'image/gif',
  'application/pdf': 'application/pdf',
  'application/postscript': 'application/postscript',
  'application/eps': 'application/postscript',
};

async function mediaOf(name: string, bytes: Uint8Array): Promise<PictureRecord['media']> {
  // One that ends in the middle of what it is known by is none of these.
  const type = await fileTypeFromBuffer(bytes).catch(() => undefined);
  const media = type && MEDIA_OF[type.mime];
  if (media) return media;
  const start = new TextDecoder().decode(bytes.subarray(0, 2000));
  if (/^\s*%PDF-\d/.test(start)) return 'application/pdf';
  // EPS with a preview begins with a header of its own (Adobe Technical Note 5002).
  if (/^%!PS/.test(start) || (bytes[0] === 0xc5 && bytes[1] === 0xd0 && bytes[2] === 0xd3 && bytes[3] === 0xc6))
    return 'application/postscript';
  if (
    (!type || type.mime === 'application/xml') &&
    /<svg[\s>]/i.test(start + (start.includes('<!--') ? new TextDecoder().decode(bytes.subarray(0, 100_000)) : ''))
  ) {
    return 'image/svg+xml';
  }
  throw new RefusedFileError(
    `“${name}” is not a picture that can be brought in: take a JPEG, PNG, WebP, TIFF, AVIF, GIF, SVG, PDF or EPS file.`,
    415,
  );
}

/** What is seen in a small copy of a picture: the subject's outline, and the place that crops should keep. */
async function seenIn(bytes: Uint8Array, transparent: boolean): Promise<Pick<PictureRecord, 'outlines' | 'focus'>> {
  const small = await sharp(bytes, SHARP_LIMITS)
    .autoOrient()
    .resize(TRACE_SIDE, TRACE_SIDE, { fit: 'inside', withoutEnlargement: true })
    .ensureAlpha()
    .toColourspace('srgb')
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { data } = small;
  const { width, height } = small.info;
  const count = width * height;
  const rgb = new Uint8Array(3 * count);
  for (let i = 0; i < count; i++) rgb.set(data.subarray(4 * i, 4 * i + 3), 3 * i);
  const focus = await proposedFocus(rgb, width, height);
  const outlines = outlinesOf(data, rgb, width, height, transparent);
  return { outlines, ...(focus ? { focus } : {}) };
}

function outlinesOf(
  data: Uint8Array,
  rgb: Uint8Array,
  width: number,
  height: number,
  transparent: boolean,
): PictureRecord['outlines'] {
  if (transparent) {
    const values = new Uint8Array(width * height);
    for (let i = 0; i < values.length; i++) values[i] = data[4 * i + 3]!;
    const alpha = traceAlpha({ width, height, values });
    return alpha ? { alpha } : {};
  }
  const background = traceBackground({ width, height, rgb });
  return background ? { background } : {};
}

/** A drawing at the size of the largest copy of it. */
const drawn = async (bytes: Uint8Array): Promise<Sharp> =>
  sharp(
    await sharp(bytes, SHARP_LIMITS)
      .resize(PREVIEW_SIDE, PREVIEW_SIDE, { fit: 'inside', withoutEnlargement: true })
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
