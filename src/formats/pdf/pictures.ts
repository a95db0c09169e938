import { promisify } from 'node:util';
import { deflate } from 'node:zlib';
import { type PDFContext, type PDFRef } from '@cantoo/pdf-lib';
import sharp, { type Sharp } from 'sharp';
import { contourPath } from '@/core/compose/frames/contours';
import type { AreaItem } from '@/core/compose/displayList/displayList';
import type { Box } from '@/core/geometry/box';
import type { PictureRecord } from '@/core/records/index';
import { PICTURE_PIXELS } from '../pictures/read';

/** The inks a PDF is written in: the printer's four, or a screen's three. */
export type Colours = 'cmyk' | 'rgb';

/** Resolution that drawings (SVG) are rendered at in their frame, pixels to the inch. */
const DRAWING_PPI = 600;

const MOST_DRAWING_SIDE = 6000;

/** Off the JavaScript thread: pictures are many megabytes. */
const squeeze = promisify(deflate);

const JPEG = { quality: 95, chromaSubsampling: '4:4:4' } as const;

/**
 * A picture as an image object, at all its pixels. Opaque pictures are written as JPEG (an RGB JPEG for the screen
 * just as it came), transparent ones without loss and with a soft mask.
 *
 * @param width the width it is placed at, points: what drawings are rendered for
 */
export async function embedPicture(
  context: PDFContext,
  picture: PictureRecord,
  bytes: Uint8Array,
  colours: Colours,
  width: number,
): Promise<PDFRef> {
  const drawing = picture.media === 'image/svg+xml';
  const pixels = Math.min(MOST_DRAWING_SIDE, Math.ceil((width / 72) * DRAWING_PPI));
  const source = () =>
    drawing
      ? sharp(bytes, {
          limitInputPixels: PICTURE_PIXELS,
          density: Math.min(2400, Math.max(72, (72 * pixels) / picture.width)),
        }).resize({ width: pixels })
      : sharp(bytes, { limitInputPixels: PICTURE_PIXELS }).autoOrient();
  const base = { Type: 'XObject', Subtype: 'Image', BitsPerComponent: 8 };

  if (colours === 'rgb' && picture.media === 'image/jpeg' && picture.colour === 'rgb') {
    const { orientation } = await sharp(bytes).metadata();
    if ((orientation ?? 1) === 1) {
      return context.register(
        context.stream(bytes, {
          ...base,
          Width: picture.width,
          Height: picture.height,
          ColorSpace: 'DeviceRGB',
          Filter: 'DCTDecode',
        }),
      );
    }
  }

  // A picture in the printer's four inks is separated already, and one in grey is black ink alone: both stay what they are.
  const kept = colours === 'cmyk' && !drawing && !picture.transparent && picture.colour !== 'rgb';
  if (kept) {
    const cmyk = picture.colour === 'cmyk';
    const metadata = await sharp(bytes).metadata();
    const asIs = picture.media === 'image/jpeg' && (metadata.orientation ?? 1) === 1;
    const size = { Width: picture.width, Height: picture.height };
    if (asIs && metadata.channels === (cmyk ? 4 : 1)) {
      const inverted = cmyk && isAdobeJpeg(bytes) ? { Decode: [1, 0, 1, 0, 1, 0, 1, 0] } : {};
      const space = cmyk ? 'DeviceCMYK' : 'DeviceGray';
      return context.register(context.stream(bytes, { ...base, ...size, ColorSpace: space, Filter: 'DCTDecode', ...inverted }));
    }
    const { data, info } = await source()
      .pipelineColourspace(cmyk ? 'cmyk' : 'b-w')
      .toColourspace(cmyk ? 'cmyk' : 'b-w')
      .raw()
      .toBuffer({ resolveWithObject: true });
    if (info.channels === (cmyk ? 4 : 1))
      return context.register(
        context.stream(await squeeze(data), {
          ...base,
          Width: info.width,
          Height: info.height,
          ColorSpace: cmyk ? 'DeviceCMYK' : 'DeviceGray',
          Filter: 'FlateDecode',
        }),
      );
  }

  const inInks = (image: Sharp) =>
    colours === 'cmyk'
      ? image.pipelineColourspace('rgb16').toColourspace('cmyk').withIccProfile('cmyk', { attach: false })
      : image.toColourspace('srgb');
  const space = colours === 'cmyk' ? 'DeviceCMYK' : 'DeviceRGB';

  if (!picture.transparent && !drawing) {
    const { data, info } = await inInks(source()).jpeg(JPEG).toBuffer({ resolveWithObject: true });
    // JPEG keeps four inks inverted, as common practice has it; Decode turns them back.
    const decode = colours === 'cmyk' ? { Decode: [1, 0, 1, 0, 1, 0, 1, 0] } : {};
    return context.register(
      context.stream(data, {
        ...base,
        Width: info.width,
        Height: info.height,
        ColorSpace: space,
        Filter: 'DCTDecode',
        ...decode,
      }),
    );
  }
  const { data: alpha, info } = await source().ensureAlpha().extractChannel('alpha').raw().toBuffer({ resolveWithObject: true });
  const { data } = await inInks(source().flatten({ background: '#ffffff' }))
    .raw()
    .toBuffer({ resolveWithObject: true });
  const size = { Width: info.width, Height: info.height };
  const packed = { ...base, ...size, Filter: 'FlateDecode' };
  const mask = context.register(context.stream(await squeeze(alpha), { ...packed, ColorSpace: 'DeviceGray' }));
  return context.register(context.stream(await squeeze(data), { ...packed, ColorSpace: space, SMask: mask }));
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
export function softBox({ box, blur }: AreaItem): Box {
  return { x: box.x - 2 * blur, y: box.y - 2 * blur, w: box.w + 4 * blur, h: box.h + 4 * blur };
}

/** An area with a soft edge: one pixel of its ink behind a mask that holds its blurred shape. */
export async function embedSoftArea(context: PDFContext, item: AreaItem, room: Box, colours: Colours): Promise<PDFRef> {
  const scale = SOFT_PPI / 72;
  const width = Math.min(4000, Math.ceil(room.w * scale));
  const height = Math.min(4000, Math.ceil(room.h * scale));
  const path = contourPath(item.contour, (value) => `${Math.round(value * 1000) / 1000} `);
  const svg =
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="${room.x} ${room.y} ${room.w} ${room.h}" ` +
    `preserveAspectRatio="none"><path d="${path}" fill="#fff"/></svg>`;
  const mask = await sharp(Buffer.from(svg))
    .extractChannel('alpha')
    .blur(Math.max(0.3, (item.blur / 2) * scale))
    .raw()
    .toBuffer({ resolveWithObject: true });
  const base = { Type: 'XObject', Subtype: 'Image', BitsPerComponent: 8, Filter: 'FlateDecode' };
  const soft = context.register(
    context.stream(await squeeze(mask.data), {
      ...base,
      Width: mask.info.width,
      Height: mask.info.height,
      ColorSpace: 'DeviceGray',
    }),
  );
  const inks =
    colours === 'cmyk'
      ? item.ink.cmyk.map((ink) => Math.round(ink * 255))
      : [1, 3, 5].map((i) => parseInt(item.ink.rgb.slice(i, i + 2), 16));
  return context.register(
    context.stream(await squeeze(Uint8Array.from(inks)), {
      ...base,
      Width: 1,
      Height: 1,
      ColorSpace: colours === 'cmyk' ? 'DeviceCMYK' : 'DeviceRGB',
      SMask: soft,
    }),
  );
}
