import type { PageList } from '@/core/compose/displayList/displayList';
import { partOf, showsOthers } from '@/core/compose/measure/part';
import { ALL_DESIGNS } from '@/core/plan/designs/index';
import { designSpecimen, fittedSpecimen } from '@/core/plan/designSpecimen';
import { startingHouse } from '@/core/plan/startingHouse';
import type { PublicationKind } from '@/core/records/publicationKind';
import { all, type Document, documentOf } from '@/core/records/document';
import { readDocument } from '@/core/records/stored';
import type { Shaper } from '@/core/type/shaper';
import { composerFor } from '@/formats/faces/files';
import { loadRecords } from '@/store/documents';
import { putPagePicture } from '@/store/pagePictures';
import { drawnSheet } from './sheetPictures';

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
  await putPagePicture(documentId, number, width, seq, await drawnPage(document, list, shaper, width));
}

/** The recurring pages of a starting design in one of its palettes, filled with sample copy, as PNGs. */
export async function designPictures(id: string, palette: number, width: number): Promise<Uint8Array[]> {
  const { kind } = ALL_DESIGNS.find((design) => design.id === id)!;
  const house = documentOf(startingHouse(kind, 'en-GB', { design: id, palette }));
  const whole = designSpecimen(house, DESIGN_NAMES[kind]);
  const { composer, shaper } = await composerFor(whole);
  const document = fittedSpecimen(whole, composer.compose(whole).fits);
  const count = all(house, 'page').length;
  const out: Uint8Array[] = [];
  for (const list of composer.compose(document).pages.slice(0, count)) out.push(await drawnPage(document, list, shaper, width));
  return out;
}

/** What the publications are called that designs are shown with. */
const DESIGN_NAMES: Readonly<Record<PublicationKind, string>> = {
  magazine: 'Halyard',
  newsletter: 'The Mooring',
  newspaper: 'The Quay Post',
};

/** A page by itself, as a PNG so many pixels wide. */
const drawnPage = (document: Document, list: PageList, shaper: Shaper, width: number): Promise<Buffer> =>
  drawnSheet(document, { pages: [{ list, dx: 0 }], beside: undefined, label: '' }, shaper, width).then((drawing) =>
    drawing.png().toBuffer(),
  );
