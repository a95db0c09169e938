import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { pngThatClaims } from '../../../tests/support/png';
import { readPicture as readWhole, screenCopy } from './read';
import { checkSvg } from './svgSafety';

const readPicture = async (...of: Parameters<typeof readWhole>) => (await readWhole(...of)).facts;

const blank = (
  width: number,
  height: number,
  background: string | { r: number; g: number; b: number; alpha: number } = '#336699',
) => sharp({ create: { width, height, channels: typeof background === 'string' ? 3 : 4, background } });
const svg = (inner: string, attributes = '') =>
  new TextEncoder().encode(
    `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="40" height="30" ${attributes}>${inner}</svg>`,
  );

describe('a picture', () => {
  it('is known by its content, whatever its name says', async () => {
    expect(await readPicture('kite.png', await blank(60, 40).jpeg().toBuffer())).toMatchObject({
      media: 'image/jpeg',
      width: 60,
      height: 40,
      name: 'kite',
      transparent: false,
      colour: 'rgb',
    });
    expect((await readPicture('kite.jpg', await blank(60, 40).png().toBuffer())).media).toBe('image/png');
    expect((await readPicture('kite.jpg', await blank(60, 40).webp().toBuffer())).media).toBe('image/webp');
    expect(await readPicture('kite.svg', svg('<rect width="40" height="30" fill="red"/>'))).toMatchObject({
      media: 'image/svg+xml',
      width: 40,
      height: 30,
    });
  });

  it('brings caption and credit from its own metadata', async () => {
    const exif = { IFD0: { ImageDescription: 'Over the bar', Artist: 'Inge Sarrow' } };
    for (const file of [
      await blank(60, 40).withExif(exif).jpeg().toBuffer(),
      await blank(60, 40).withExif(exif).png().toBuffer(),
      await blank(60, 40).withExif(exif).webp().toBuffer(),
    ]) {
      expect(await readPicture('a', file)).toMatchObject({ caption: 'Over the bar', credit: 'Inge Sarrow' });
    }
  });

  it('is turned upright as its metadata asks', async () => {
    expect(await readPicture('a.jpg', await blank(60, 40).withMetadata({ orientation: 6 }).jpeg().toBuffer())).toMatchObject({
      width: 40,
      height: 60,
    });
  });

  it('offers an outline from its transparency, or from a plain background', async () => {
    const disc = svg('<circle cx="20" cy="15" r="10"/>');
    expect((await readPicture('disc.svg', disc)).outlines.alpha).toHaveLength(1);
    const onWhite = await sharp(Buffer.from(disc)).resize(400).flatten({ background: '#fff' }).jpeg().toBuffer();
    const { outlines } = await readPicture('disc.jpg', onWhite);
    expect(outlines.background).toHaveLength(1);
    expect(outlines.alpha).toBeUndefined();
    expect(await readPicture('a.png', await blank(60, 40, { r: 0, g: 0, b: 0, alpha: 1 }).png().toBuffer())).toMatchObject({
      transparent: false,
    });
  });

  it('in CMYK or grey is known as such', async () => {
    expect((await readPicture('a.jpg', await blank(60, 40).toColourspace('cmyk').jpeg().toBuffer())).colour).toBe('cmyk');
    expect((await readPicture('a.jpg', await blank(60, 40).toColourspace('b-w').jpeg().toBuffer())).colour).toBe('grey');
  });

  it('of more pixels than can be taken is refused by its head alone', async () => {
    const png = await pngThatClaims(40_000, 40_000);
    await expect(readPicture('huge.png', png)).rejects.toMatchObject({
      status: 413,
      message: expect.stringMatching(/40000 × 40000/) as string,
    });
  });

  it.each([
    ['empty.png', new Uint8Array(0), 422, /is empty/],
    ['words.png', new TextEncoder().encode('not a picture'), 415, /not a picture/],
    ['page.pdf', new TextEncoder().encode('%PDF-1.7 …'), 422, /is damaged/],
    ['photo.psd', new TextEncoder().encode('8BPS…'), 415, /take a JPEG, PNG, WebP, TIFF, AVIF, GIF, SVG, PDF or EPS file/],
  ] as const)('refuses %s with one sentence', async (name, bytes, status, message) => {
    await expect(readPicture(name, bytes)).rejects.toMatchObject({ status, message: expect.stringMatching(message) as string });
  });

  it('that is damaged is refused', async () => {
    const jpeg = await blank(300, 300).jpeg().toBuffer();
    await expect(readPicture('half.jpg', jpeg.subarray(0, 300))).rejects.toThrow(/damaged/);
  });

  it('is copied small for a screen', async () => {
    const copy = await sharp(await screenCopy(await blank(900, 600).jpeg().toBuffer(), 200)).metadata();
    expect(copy).toMatchObject({ width: 200, height: 133, format: 'webp' });
  });
});

describe('an SVG', () => {
  const decode = (bytes: Uint8Array) => new TextDecoder().decode(bytes);

  it.each([
    ['a plain drawing', svg('<defs><linearGradient id="g"/></defs><rect fill="url(#g)" width="4" height="4"/><use href="#g"/>')],
    ['a picture inside', svg('<image href="data:image/png;base64,iVBORw0KGgo="/>')],
    ['a link', svg('<a href="https://x.example"><rect/></a>')],
  ])('may hold %s', (_what, bytes) => {
    expect(() => checkSvg('a.svg', decode(bytes))).not.toThrow();
  });

  it.each([
    ['a script', svg('<script>alert(1)</script>'), /holds a script/],
    ['a script of another namespace', svg('<x:script xmlns:x="http://www.w3.org/2000/svg">1</x:script>'), /holds a script/],
    ['an event handler', svg('<rect/>', 'onload="alert(1)"'), /holds a script/],
    ['a link that runs', svg('<a href="javascript:alert(1)"/>'), /holds a script/],
    ['a picture from elsewhere', svg('<image xlink:href="http://x.example/a.png"/>'), /outside itself/],
    ['a file of this machine', svg('<image href="file:///etc/passwd"/>'), /outside itself/],
    ['a use of another file', svg('<use href="other.svg#a"/>'), /outside itself/],
    ['a style from elsewhere', svg('<style>@import url(http://x.example/a.css)</style>'), /outside itself/],
    ['a fill from elsewhere', svg('<rect style="fill:url(http://x.example/a)"/>'), /outside itself/],
    ['foreign objects', svg('<foreignObject/>'), /foreignobject/],
    ['entities', new TextEncoder().encode('<!DOCTYPE svg [<!ENTITY a "b">]><svg>&a;</svg>'), /entities/],
    ['a style sheet', new TextEncoder().encode('<?xml-stylesheet href="a.css"?><svg/>'), /outside itself/],
    ['another root', new TextEncoder().encode('<html><svg/></html>'), /not an SVG/],
    ['a million shapes', svg('<g/>'.repeat(200_001)), /more shapes/],
  ])('may not hold %s', (_what, bytes, message) => {
    expect(() => checkSvg('a.svg', decode(bytes))).toThrow(message);
  });
});
