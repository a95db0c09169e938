import type { Sharp } from 'sharp';
import type { PageList } from '@/core/compose/displayList/displayList';
import { partOf, showsOthers } from '@/core/compose/measure/part';
import { all, type Document } from '@/core/records/document';
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
  const drawing = await drawnPage(document, list, shaper, width);
  await putPagePicture(documentId, number, width, seq, await drawing.png().toBuffer());
}

/** A page by itself, so many pixels wide, to be written in a format. */
export const drawnPage = (document: Document, list: PageList, shaper: Shaper, width: number): Promise<Sharp> =>
  drawnSheet(document, { pages: [{ list, dx: 0 }], beside: undefined, label: '' }, shaper, width);
