import sharp from 'sharp';
import type { PageList } from '@/core/compose/displayList/displayList';
import { partOf, showsOthers } from '@/core/compose/measure/part';
import { designSpecimen } from '@/core/plan/designSpecimen';
import { startingHouse } from '@/core/plan/startingHouse';
import type { PublicationKind } from '@/core/records/publicationKind';
import { all, type Document, documentOf } from '@/core/records/document';
import { readDocument } from '@/core/records/stored';
import type { Shaper } from '@/core/type/shaper';
import { composerFor } from '@/formats/faces/files';
import { screenCopy } from '@/formats/pictures/read';
import { outlinedPage } from '@/formats/svg/outlined';
import { getBlob } from '@/store/blobs';
import { loadRecords } from '@/store/documents';
import { putPagePicture } from '@/store/pagePictures';

/**
 * Draws a page of a document as it now is and keeps it as a PNG, `width` pixels wide: composed like any other, painted with
 * glyph outlines so that no font need be installed. Of the other pages only what reaches this one is composed.
 * @throws RangeError when there is no such page
 */
export async function drawPage(documentId: string, number: number, width: number): Promise<void> {
  const { seq, records } = await loadRecords(documentId);
  const document = readDocument(records);
  const page = all(document, 'page')[number - 1];
  if (!page) throw new RangeError(`There is no page ${number}.`);
  const part = showsOthers(document, page.id) ? document : partOf(document, [page.id]);
  const { composer, shaper } = await composerFor(part);
  const list = composer.compose(part).pages[number - 1]!;
  await putPagePicture(documentId, number, width, seq, await drawn(document, list, shaper, width));
}

/** The recurring pages of a starting design in one of its palettes, filled with sample copy, as PNGs. */
export async function designPictures(kind: PublicationKind, palette: number, width: number): Promise<Uint8Array[]> {
  const house = documentOf(startingHouse(kind, 'en-GB', { palette }));
  const document = designSpecimen(house, DESIGN_NAMES[kind]);
  const { composer, shaper } = await composerFor(document);
  const count = all(house, 'page').length;
  const out: Uint8Array[] = [];
  for (const list of composer.compose(document).pages.slice(0, count)) out.push(await drawn(document, list, shaper, width));
  return out;
}

/** What the publications are called that designs are shown with. */
const DESIGN_NAMES: Readonly<Record<PublicationKind, string>> = {
  magazine: 'Halyard',
  newsletter: 'The Mooring',
  newspaper: 'The Quay Post',
};

async function drawn(document: Document, list: PageList, shaper: Shaper, width: number): Promise<Uint8Array> {
  const used = new Set(list.items.flatMap((item) => (item.type === 'picture' ? [item.picture] : [])));
  const sources = new Map<string, string>();
  for (const picture of all(document, 'picture')) {
    if (!used.has(picture.id)) continue;
    const copy = await screenCopy((await getBlob(picture.preview ?? picture.blob)).bytes, 2 * width);
    const png = await sharp(copy).png().toBuffer();
    sources.set(picture.id, `data:image/png;base64,${png.toString('base64')}`);
  }
  const svg = outlinedPage(
    list,
    (id) => shaper.face(id),
    (id) => sources.get(id) ?? '',
  );
  return sharp(Buffer.from(svg), { density: (72 * width) / list.width })
    .resize({ width })
    .png()
    .toBuffer();
}
