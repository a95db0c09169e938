import { createHash } from 'node:crypto';
import { type PDFArray, type PDFContext, PDFName, PDFNumber, type PDFRef } from '@cantoo/pdf-lib';
import sharp, { type Sharp } from 'sharp';
import { contourPath } from '@/core/compose/frames/contours';
import type { AreaItem, Contour } from '@/core/compose/displayList/displayList';
import type { Box } from '@/core/geometry/box';
import { type Adjusted, adjustPixels, greyPixels, inkRamp } from '@/core/pictures/adjusting';
import type { PictureRecord } from '@/core/records/index';
import { isDrawing } from '@/core/records/picture';
import { readProfile } from '../pictures/profile';
import { sharpenRaw } from '../pictures/sharpened';
import { ToolError } from '../pictures/tools';
import type { Colours } from './colours';
import type { Press } from './press';
import { embedDrawing } from './drawings';
import { squeeze } from './squeezing';
import { PICTURE_PIXELS } from '../pictures/read';

/** Resolution that drawings (SVG) are rendered at in their frame, pixels to the inch. */
const DRAWING_PPI = 600;

const MOST_DRAWING_SIDE = 6000;

const JPEG = { quality: 95, chromaSubsampling: '4:4:4' } as const;

/** What a picture is written for. */
export interface PictureUse {
  readonly colours: Colours;
  /** The width it is placed at, points. */
  readonly width: number;
  readonly adjusted?: Adjusted | undefined;
  /** By whose profile light becomes inks; needed where there are any. */
  readonly press?: Press | undefined;
  /** Pixels to the inch that it has at most; all of its own when not said. */
  readonly ppi?: number | undefined;
}

/**
 * A picture as an object that is drawn into the unit square, at all its pixels or as the lines it is made of. Opaque pictures
 * are written as JPEG (one in the light of screens just as it came, where it has no more pixels than are wanted), transparent ones
 * without loss and with a soft mask. What is in inks or grey already stays as it is for print, with its profile and all its bits.
 */
export async function embedPicture(
  context: PDFContext,
  picture: PictureRecord,
  bytes: Uint8Array,
  use: PictureUse,
): Promise<PDFRef> {
  const { colours, width, adjusted, press } = use;
  const drawing = isDrawing(picture);
  if (drawing) {
    try {
      return await embedDrawing(context, picture, bytes, colours, press?.bytes);
    } catch (error) {
      if (!(error instanceof ToolError) || picture.media !== 'image/svg+xml') throw error;
    }
  } else if (adjusted) {
    return embedAdjusted(context, picture, bytes, use, adjusted);
  } else if (colours === 'cmyk' && picture.colour !== 'rgb') {
    const kept = await embedKept(context, picture, bytes, press);
    if (kept) return kept;
  }
  const pixels = Math.min(MOST_DRAWING_SIDE, Math.ceil((width / 72) * DRAWING_PPI));
  const fewer = fewerPixels(picture, use);
  const source = () =>
    drawing
      ? sharp(bytes, {
          limitInputPixels: PICTURE_PIXELS,
          density: Math.min(2400, Math.max(72, (72 * pixels) / picture.width)),
        }).resize({ width: pixels })
      : sharp(bytes, { limitInputPixels: PICTURE_PIXELS }).autoOrient().resize(fewer);

  if (colours === 'rgb' && !fewer && picture.media === 'image/jpeg' && picture.colour === 'rgb') {
    const { orientation, icc } = await sharp(bytes).metadata();
    if ((orientation ?? 1) === 1 && isScreenLight(icc))
      return image(context, bytes, { ...sizeOf(picture), ColorSpace: 'DeviceRGB', Filter: 'DCTDecode' });
  }
  const space = SPACES[colours];

  if (!picture.transparent && !drawing) {
    const { data, info } = await inColours(source(), colours, press).jpeg(JPEG).toBuffer({ resolveWithObject: true });
    // JPEG keeps four inks inverted, as common practice has it; Decode turns them back.
    const decode = colours === 'cmyk' ? { Decode: INVERTED } : {};
    return image(context, data, { ...sizeOf(info), ColorSpace: space, Filter: 'DCTDecode', ...decode });
  }
  const { data: alpha, info } = await source().ensureAlpha().extractChannel('alpha').raw().toBuffer({ resolveWithObject: true });
  const { data } = await inColours(source().flatten({ background: '#ffffff' }), colours, press)
    .raw()
    .toBuffer({ resolveWithObject: true });
  const mask = image(context, await squeeze(alpha), { ...sizeOf(info), ColorSpace: 'DeviceGray', Filter: 'FlateDecode' });
  return image(context, await squeeze(data), { ...sizeOf(info), ColorSpace: space, Filter: 'FlateDecode', SMask: mask });
}

/**
 * A picture with its pixels changed: grey prints in black alone, one or two inks in those inks and no others, by a table of
 * their tones (ISO 32000-1, 8.6.6.3).
 */
async function embedAdjusted(
  context: PDFContext,
  picture: PictureRecord,
  bytes: Uint8Array,
  use: PictureUse,
  adjusted: Adjusted,
): Promise<PDFRef> {
  const { colours, press } = use;
  const { data, info } = await sharp(bytes, { limitInputPixels: PICTURE_PIXELS })
    .autoOrient()
    .resize(fewerPixels(picture, use))
    .toColourspace('srgb')
    .ensureAlpha()
    .raw({ depth: 'uchar' })
    .toBuffer({ resolveWithObject: true });
  const size = sizeOf(info);
  const { tones } = adjusted;
  await sharpenRaw(data, info, adjusted);
  const mask = async () => {
    const alpha = new Uint8Array(data.length / 4);
    for (let i = 0; i < alpha.length; i++) alpha[i] = data[4 * i + 3]!;
    return image(context, await squeeze(alpha), { ...size, ColorSpace: 'DeviceGray', Filter: 'FlateDecode' });
  };
  const soft = picture.transparent ? { SMask: await mask() } : {};
  const packed = { ...size, Filter: 'FlateDecode', ...soft };
  if (tones === 'grey' || (tones !== 'full' && colours === 'cmyk')) {
    const light = await squeeze(greyPixels(data, adjusted));
    if (tones === 'grey') return image(context, light, { ...packed, ColorSpace: 'DeviceGray' });
    const ramp = context.register(context.flateStream(inkRamp(tones)));
    const space = context.obj([PDFName.of('Indexed'), PDFName.of('DeviceCMYK'), PDFNumber.of(255), ramp]);
    return image(context, light, { ...packed, ColorSpace: space });
  }
  adjustPixels(data, adjusted);
  const lit = sharp(data, { raw: { width: info.width, height: info.height, channels: 4 } }).removeAlpha();
  const out = await inColours(lit, colours, press).raw({ depth: 'uchar' }).toBuffer();
  return image(context, await squeeze(out), { ...packed, ColorSpace: SPACES[colours] });
}

/** The size that a picture is brought down to; undefined where it has no more pixels than are wanted. */
function fewerPixels(picture: PictureRecord, { width, ppi }: PictureUse): { readonly width: number } | undefined {
  const most = ppi === undefined ? Infinity : Math.ceil((width / 72) * ppi);
  return picture.width > most ? { width: most } : undefined;
}

/** Whether a profile is that of screens, which is meant where there is none. */
const isScreenLight = (icc: Buffer | undefined): boolean => !icc || /srgb/i.test(readProfile(icc)?.name ?? '');

const SPACES = { cmyk: 'DeviceCMYK', rgb: 'DeviceRGB' } as const;

/** Light put into the printer's inks, or into that of screens. */
const inColours = (of: Sharp, colours: Colours, press: Press | undefined): Sharp =>
  colours === 'cmyk'
    ? of
        .pipelineColourspace('rgb16')
        .toColourspace('cmyk')
        .withIccProfile(press?.path ?? 'cmyk', { attach: false })
    : of.toColourspace('srgb');

const INVERTED = [1, 0, 1, 0, 1, 0, 1, 0];

const sizeOf = ({ width, height }: { readonly width: number; readonly height: number }) => ({ Width: width, Height: height });

type ImageEntries = Parameters<PDFContext['stream']>[1];

/** An image object (ISO 32000-1, 8.9.5), of eight bits unless it says otherwise. */
const image = (context: PDFContext, bytes: Uint8Array, entries: ImageEntries): PDFRef =>
  context.register(context.stream(bytes, { Type: 'XObject', Subtype: 'Image', BitsPerComponent: 8, ...entries }));

/**
 * A picture in the printer's inks, or in grey, which is black ink alone: its pixels as they are, in the space that its profile
 * describes. Undefined where it is not what its record says.
 */
async function embedKept(
  context: PDFContext,
  picture: PictureRecord,
  bytes: Uint8Array,
  press: Press | undefined,
): Promise<PDFRef | undefined> {
  const inks = picture.colour === 'cmyk' ? 4 : 1;
  const metadata = await sharp(bytes, { limitInputPixels: PICTURE_PIXELS }).metadata();
  const space = spaceOf(context, inks, metadata.icc, press);
  const isUpright = (metadata.orientation ?? 1) === 1;
  if (picture.media === 'image/jpeg' && isUpright && metadata.channels === inks) {
    const inverted = inks === 4 && isAdobeJpeg(bytes) ? { Decode: INVERTED } : {};
    return image(context, bytes, { ...sizeOf(picture), ColorSpace: space, Filter: 'DCTDecode', ...inverted });
  }
  const wide = metadata.depth === 'ushort';
  const colourspace = inks === 4 ? 'cmyk' : wide ? 'grey16' : 'b-w';
  const { data, info } = await sharp(bytes, { limitInputPixels: PICTURE_PIXELS })
    .autoOrient()
    .pipelineColourspace(colourspace)
    .toColourspace(colourspace)
    .raw({ depth: wide ? 'ushort' : 'uchar' })
    .toBuffer({ resolveWithObject: true });
  if (info.channels !== inks && info.channels !== inks + 1) return undefined;
  const size = wide ? 2 : 1;
  if (wide) data.swap16();
  const packed = { ...sizeOf(info), Filter: 'FlateDecode', BitsPerComponent: 8 * size };
  if (info.channels === inks) return image(context, await squeeze(data), { ...packed, ColorSpace: space });
  // Transparency lies beside the inks in every pixel, and in a mask of its own in a PDF.
  const count = info.width * info.height;
  const colour = Buffer.alloc(count * inks * size);
  const alpha = Buffer.alloc(count * size);
  for (let i = 0; i < count; i++) {
    const from = i * (inks + 1) * size;
    data.copy(colour, i * inks * size, from, from + inks * size);
    data.copy(alpha, i * size, from + inks * size, from + (inks + 1) * size);
  }
  const mask = image(context, await squeeze(alpha), { ...packed, ColorSpace: 'DeviceGray' });
  return image(context, await squeeze(colour), { ...packed, ColorSpace: space, SMask: mask });
}

/** Profiles that a file has already: many pictures have the same. */
const profiles = new WeakMap<PDFContext, Map<string, PDFRef>>();

/**
 * The space that a profile describes, or the printer's own where there is none that fits, or it is the press’s very own
 * (ISO 15930-7, 6.2.4.2, from memory: such a one is written as what it is, or its black would not overprint).
 */
function spaceOf(context: PDFContext, inks: 1 | 4, icc: Buffer | undefined, press: Press | undefined): PDFName | PDFArray {
  const device = PDFName.of(inks === 4 ? 'DeviceCMYK' : 'DeviceGray');
  if (!icc || readProfile(icc)?.channels !== inks || (press && icc.equals(press.bytes))) return device;
  let own = profiles.get(context);
  if (!own) profiles.set(context, (own = new Map()));
  const key = createHash('sha256').update(icc).digest('hex');
  let ref = own.get(key);
  if (!ref) own.set(key, (ref = context.register(context.flateStream(icc, { N: inks, Alternate: device }))));
  return context.obj([PDFName.of('ICCBased'), ref]);
}

/**
 * Whether a JPEG carries Adobe's marker (APP14, “Adobe Technical Note 5116”): with it four inks are stored inverted, as
 * common practice has it.
 */
function isAdobeJpeg(bytes: Uint8Array): boolean {
  for (let at = 2; at + 4 < bytes.length && bytes[at] === 0xff;) {
    const marker = bytes[at + 1]!;
    if (marker === 0xda) return false;
    const length = bytes[at + 2]! * 256 + bytes[at + 3]!;
    if (marker === 0xee && String.fromCharCode(...bytes.subarray(at + 4, at + 9)) === 'Adobe') return true;
    at += 2 + length;
  }
  return false;
}

/** Resolution of the masks that soft shadows are drawn through, pixels to the inch: they have nothing fine in them. */
const SOFT_PPI = 150;

/** The room a soft area takes, its edge included. */
export function softBox({ box, blur }: Pick<AreaItem, 'box' | 'blur'>): Box {
  return { x: box.x - 2 * blur, y: box.y - 2 * blur, w: box.w + 4 * blur, h: box.h + 4 * blur };
}

/** An area with a soft edge: one pixel of its ink behind a mask that holds its blurred shape. */
export async function embedSoftArea(context: PDFContext, item: AreaItem, room: Box, colours: Colours): Promise<PDFRef> {
  const soft = await embedSoftMask(context, item.contour, item.blur, room);
  const inks =
    colours === 'cmyk'
      ? item.ink.cmyk.map((ink) => Math.round(ink * 255))
      : [1, 3, 5].map((i) => parseInt(item.ink.rgb.slice(i, i + 2), 16));
  return context.register(
    context.stream(await squeeze(Uint8Array.from(inks)), {
      ...IMAGE,
      Width: 1,
      Height: 1,
      ColorSpace: colours === 'cmyk' ? 'DeviceCMYK' : 'DeviceRGB',
      SMask: soft,
    }),
  );
}

const IMAGE = { Type: 'XObject', Subtype: 'Image', BitsPerComponent: 8, Filter: 'FlateDecode' } as const;

/** The blurred shape of an area as an image of greys, to be a mask. */
export async function embedSoftMask(context: PDFContext, contour: Contour, blur: number, room: Box): Promise<PDFRef> {
  const scale = SOFT_PPI / 72;
  const width = Math.min(4000, Math.ceil(room.w * scale));
  const height = Math.min(4000, Math.ceil(room.h * scale));
  const path = contourPath(contour, (value) => `${Math.round(value * 1000) / 1000} `);
  const svg =
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="${room.x} ${room.y} ${room.w} ${room.h}" ` +
    `preserveAspectRatio="none"><path d="${path}" fill="#fff" fill-rule="evenodd"/></svg>`;
  const mask = await sharp(Buffer.from(svg))
    .extractChannel('alpha')
    .blur(Math.max(0.3, (blur / 2) * scale))
    .raw()
    .toBuffer({ resolveWithObject: true });
  return context.register(
    context.stream(await squeeze(mask.data), {
      ...IMAGE,
      Width: mask.info.width,
      Height: mask.info.height,
      ColorSpace: 'DeviceGray',
    }),
  );
}
