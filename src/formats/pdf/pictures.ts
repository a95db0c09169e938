import { promisify } from 'node:util';
import { deflate } from 'node:zlib';
import { type PDFContext, type PDFRef } from '@cantoo/pdf-lib';
import sharp, { type Sharp } from 'sharp';
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
