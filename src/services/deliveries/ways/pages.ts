import JSZip from 'jszip';
import sharp, { type OverlayOptions } from 'sharp';
import { type Sheet, sheetWidth } from '@/core/handoff/sheets';
import { placedPages } from '@/core/page/pages';
import { loadFaces } from '@/formats/faces/files';
import { fileStem, freeNames } from '@/formats/fileNames';
import { outlinedWords } from '@/formats/svg/outlined';
import { drawnSheet, sheetSvg } from '../../typesetting/sheetPictures';
import { sheetsOf } from './pdf';
import type { Material, WayOut } from './way';

/** The longer side of pictures in an SVG, pixels: enough to be printed from. */
const SVG_SIDE = 2400;
const JPEG_QUALITY = 88;

/** Every page as a file, and by choice all of them on one sheet. */
export const makePages: WayOut<'pages'> = async (material) => {
  const { document, shaper, choices, progress } = material;
  const { format, ppi } = choices;
  const sheets = sheetsOf(material, choices.sheets);
  const zip = new JSZip();
  const named = freeNames();
  const wide = String(sheets.length).length;
  for (const [i, sheet] of sheets.entries()) {
    await progress(i, sheets.length);
    const stem = fileStem(`${String(i + 1).padStart(wide, '0')} page ${sheet.label}`, 'page');
    const name = named(stem, format === 'jpeg' ? 'jpg' : format);
    if (format === 'svg') zip.file(name, await sheetSvg(document, sheet, shaper, SVG_SIDE));
    else {
      const drawing = (await drawnSheet(document, sheet, shaper, Math.round((sheetWidth(sheet) / 72) * ppi))).withMetadata({
        density: ppi,
      });
      zip.file(name, await (format === 'png' ? drawing.png() : drawing.jpeg({ quality: JPEG_QUALITY })).toBuffer());
    }
  }
  if (choices.contact) zip.file('contact sheet.png', await contactSheet(material));
  await progress(sheets.length, sheets.length);
  return zip.generateAsync({ type: 'uint8array', compression: 'STORE' });
};

/** The face that folios are set in under small pages. */
const FOLIO_FACE = 'Archivo-400';
/** Pixels that a page is wide on the contact sheet, and between spreads. */
const SMALL = 190;
const GAP = 28;
const FOLIO_ROOM = 30;
const FOLIO_SIZE = 15;
/** Spreads in a row. */
const ACROSS = 4;

/** All spreads of an issue on one sheet, with their folios. */
async function contactSheet(material: Material<'pages'>): Promise<Buffer> {
  const { document, shaper } = material;
  await loadFaces(shaper, [FOLIO_FACE]);
  const sheets = sheetsOf(material, 'spreads');
  const pages = placedPages(document);
  const tall = Math.max(...sheets.map(({ pages }) => Math.round((SMALL * pages[0]!.list.height) / pages[0]!.list.width)));
  const cell = { width: 2 * SMALL + GAP, height: tall + FOLIO_ROOM + GAP };
  const width = ACROSS * cell.width + GAP;
  const height = Math.ceil(sheets.length / ACROSS) * cell.height + GAP;
  const laid: OverlayOptions[] = [];
  let folios = '';
  for (const [i, sheet] of sheets.entries()) {
    const left = GAP + (i % ACROSS) * cell.width + (opensRight(sheet) ? SMALL : 0);
    const top = GAP + Math.floor(i / ACROSS) * cell.height;
    const drawing = await drawnSheet(document, sheet, shaper, SMALL * sheet.pages.length);
    laid.push({ input: await drawing.png().toBuffer(), left, top });
    for (const [k, { list }] of sheet.pages.entries()) {
      const folio = pages[list.number - 1]?.folio ?? '';
      const words = outlinedWords(shaper.with(FOLIO_FACE, '', 'en').shape(folio), shaper.face(FOLIO_FACE), FOLIO_SIZE);
      const x = left + k * SMALL + (list.side === 'right' ? SMALL - words.width : 0);
      folios += `<g transform="translate(${x} ${top + tall + 21})">${words.path}</g>`;
    }
  }
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><g fill="#14213d">${folios}</g></svg>`;
  return sharp({ create: { width, height, channels: 3, background: '#eceef2' } })
    .composite([...laid, { input: Buffer.from(svg), left: 0, top: 0 }])
    .png()
    .toBuffer();
}

/** A right page by itself stands where it does in its spread. */
const opensRight = ({ pages }: Sheet): boolean => pages.length === 1 && pages[0]!.list.side === 'right';
