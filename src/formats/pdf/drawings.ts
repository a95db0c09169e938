import { PDFDict, PDFDocument, PDFName, PDFObjectCopier, PDFPageEmbedder, type PDFContext, type PDFRef } from '@cantoo/pdf-lib';
import type { PictureRecord } from '@/core/records/index';
import { inInks, pdfOfSvg } from '../pictures/drawings';
import type { Colours } from './colours';

/**
 * A drawing as a form (ISO 32000-1, 8.10): its lines and areas stay what they are. It is drawn like an image, into the unit
 * square. What is in colours of light is put into inks where the file is for print.
 *
 * @param bytes of the SVG, or of the PDF; an EPS as the PDF that was made of it
 * @param press the print shop’s own profile, by which light becomes inks
 * @throws ToolError where a program that is needed is missing or finds the drawing wrong
 */
export async function embedDrawing(
  context: PDFContext,
  picture: Pick<PictureRecord, 'media' | 'page' | 'colour'>,
  bytes: Uint8Array,
  colours: Colours,
  press?: Uint8Array,
): Promise<PDFRef> {
  const drawn = picture.media === 'image/svg+xml' ? await pdfOfSvg(bytes) : bytes;
  const number = picture.page ?? 1;
  const converts = colours === 'cmyk' && picture.colour === 'rgb';
  const source = await PDFDocument.load(converts ? await inInks(drawn, number, press) : drawn, {
    ignoreEncryption: true,
    updateMetadata: false,
  });
  const page = source.getPage(converts ? 0 : number - 1);
  const { x, y, width, height } = page.getCropBox();
  const leaf = PDFObjectCopier.for(source.context, context).copy(page.node);
  const embedder = await PDFPageEmbedder.for(
    leaf,
    { left: x, bottom: y, right: x + width, top: y + height },
    toUnitSquare(x, y, width, height, page.getRotation().angle),
  );
  const ref = await embedder.embedIntoContext(context);
  // Its layers show through one another as they do on its own page.
  const group = leaf.get(PDFName.of('Group'));
  const form = context.lookup(ref);
  if (group && form && 'dict' in form && form.dict instanceof PDFDict) form.dict.set(PDFName.of('Group'), group);
  return ref;
}

/** From a page's box, turned clockwise as the page asks to be shown, to the unit square. */
function toUnitSquare(
  x: number,
  y: number,
  w: number,
  h: number,
  degrees: number,
): [number, number, number, number, number, number] {
  switch ((((Math.round(degrees / 90) * 90) % 360) + 360) % 360) {
    case 90:
      return [0, -1 / w, 1 / h, 0, -y / h, (x + w) / w];
    case 180:
      return [-1 / w, 0, 0, -1 / h, (x + w) / w, (y + h) / h];
    case 270:
      return [0, 1 / w, -1 / h, 0, (y + h) / h, -x / w];
    default:
      return [1 / w, 0, 0, 1 / h, -x / w, -y / h];
  }
}
