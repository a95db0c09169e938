import sharp, { type Sharp } from 'sharp';
import { type Sheet, sheetWidth } from '@/core/handoff/sheets';
import { shownFile } from '@/core/pictures/screen';
import { picturesOn } from '@/core/print/measured';
import { type Document, find } from '@/core/records/document';
import type { Shaper } from '@/core/type/shaper';
import { screenCopy } from '@/formats/pictures/read';
import { outlinedSheet } from '@/formats/svg/outlined';
import { getBlob } from '@/store/blobs';

/**
 * A sheet as an SVG that stands by itself: glyphs as shapes, pictures in it.
 * @param side pixels that pictures have at most on their longer side
 */
export async function sheetSvg(document: Document, sheet: Sheet, shaper: Shaper, side: number): Promise<string> {
  const lists = [...sheet.pages, ...(sheet.beside ? [sheet.beside] : [])].map(({ list }) => list);
  const sources = new Map<string, string>();
  for (const id of new Set(lists.flatMap(picturesOn))) {
    const picture = find(document, 'picture', id);
    if (!picture) continue;
    const copy = await screenCopy((await getBlob(shownFile(picture))).bytes, side);
    // What draws the SVG may not know newer formats; without transparency a JPEG is a tenth of the size.
    const plain = sharp(copy);
    const data = await (picture.transparent ? plain.png() : plain.jpeg({ quality: 90 })).toBuffer();
    sources.set(id, `data:image/${picture.transparent ? 'png' : 'jpeg'};base64,${data.toString('base64')}`);
  }
  return outlinedSheet(
    sheet,
    (id) => shaper.face(id),
    (id) => sources.get(id) ?? '',
  );
}

/** A sheet drawn so many pixels wide, to be written in a format. */
export async function drawnSheet(document: Document, sheet: Sheet, shaper: Shaper, width: number): Promise<Sharp> {
  const svg = await sheetSvg(document, sheet, shaper, 2 * width);
  return sharp(Buffer.from(svg), { density: (72 * width) / sheetWidth(sheet), limitInputPixels: false }).resize({ width });
}
