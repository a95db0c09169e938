import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { PictureRecord } from '@/core/records/index';
import { RefusedFileError } from '../refused';
import { coloursOfPage } from './pdfColours';
import { inFolder, runTool, ToolError } from './tools';

/** The most pages a PDF may have that a picture is taken of: each of them could be asked for. */
const MOST_PAGES = 5000;

/** Points that a side of a drawing may have: 200 inches, the limit of PDF 1.7 (ISO 32000-1, annex C). */
const MOST_SIDE = 14_400;

/** What a page of a drawing is: its size in points, how many pages there are, what colours it is made of, and a picture of it. */
export interface ReadDrawing {
  readonly width: number;
  readonly height: number;
  readonly pages: number;
  readonly colour: PictureRecord['colour'];
  /** A PNG with transparency where the page shows no paper. */
  readonly shown: Buffer;
}

/** Puts what a program found wrong into a sentence. */
function refused(name: string, error: unknown): RefusedFileError {
  if (error instanceof RefusedFileError) return error;
  if (error instanceof ToolError && error.tooLong)
    return new RefusedFileError(`“${name}” takes too long to be drawn, so it was not taken.`);
  const said = error instanceof Error ? error.message : '';
  const many = /Wrong page range given: the first page \((\d+)\) can not be after the last page \((\d+)\)/.exec(said);
  if (many) return new RefusedFileError(`“${name}” has no page ${many[1]}: it has ${many[2]}.`);
  if (/password|encrypt/i.test(said))
    return new RefusedFileError(`“${name}” is locked with a password. Save it without one, then bring it in.`);
  return new RefusedFileError(`“${name}” is damaged: the drawing cannot be read.`);
}

/**
 * Reads one page of a PDF.
 * @param page from 1
 * @param side pixels of the longer side of the picture of it
 * @throws RefusedFileError with a sentence for the person who chose it
 */
export async function readPdf(
  name: string,
  bytes: Uint8Array,
  page: number,
  side: number,
  step: () => void,
): Promise<ReadDrawing> {
  return inFolder('drawing.pdf', bytes, async (folder) => {
    try {
      const said = (await runTool('pdfinfo', ['-box', '-f', String(page), '-l', String(page), 'drawing.pdf'], folder)).toString(
        'utf8',
      );
      const pages = Number(/^Pages:\s+(\d+)/m.exec(said)?.[1] ?? 0);
      if (pages < 1 || pages > MOST_PAGES)
        throw new RefusedFileError(`“${name}” has ${pages} pages; a PDF to take a picture from may have 1 to ${MOST_PAGES}.`);
      if (page > pages) throw new RefusedFileError(`“${name}” has no page ${page}: it has ${pages}.`);
      const box = /CropBox:\s+(-?[\d.]+)\s+(-?[\d.]+)\s+(-?[\d.]+)\s+(-?[\d.]+)/.exec(said);
      const turned = Number(/rot:\s+(\d+)/.exec(said)?.[1] ?? 0) % 180 !== 0;
      if (!box) throw new RefusedFileError(`“${name}” is damaged: its page ${page} has no size.`);
      const [left, foot, right, top] = box.slice(1).map(Number) as [number, number, number, number];
      const [w, h] = [Math.abs(right - left), Math.abs(top - foot)];
      const [width, height] = turned ? [h, w] : [w, h];
      if (!(width > 0.1 && height > 0.1 && width <= MOST_SIDE && height <= MOST_SIDE))
        throw new RefusedFileError(
          `“${name}” has a page of a size that cannot be: ${Math.round(width)} × ${Math.round(height)} pt.`,
        );
      step();
      const scale = [
        '-scale-to-x',
        String(Math.max(1, Math.round((side * width) / Math.max(width, height)))),
        '-scale-to-y',
        '-1',
      ];
      const which = ['-f', String(page), '-l', String(page), '-singlefile', '-cropbox', '-png', '-transp'];
      await runTool('pdftocairo', [...which, ...scale, 'drawing.pdf', 'shown'], folder);
      step();
      const shown = await readFile(join(folder, 'shown.png'));
      return { width, height, pages, colour: await coloursOfPage(bytes, page), shown };
    } catch (error) {
      throw refused(name, error);
    }
  });
}

const GS = ['-dSAFER', '-dBATCH', '-dNOPAUSE', '-q', '-sDEVICE=pdfwrite', '-dCompatibilityLevel=1.7'];

/** What Ghostscript leaves as it is: no picture in a drawing is made smaller or squeezed anew. */
const UNTOUCHED = [
  '-dDownsampleColorImages=false',
  '-dDownsampleGrayImages=false',
  '-dDownsampleMonoImages=false',
  '-dAutoFilterColorImages=false',
  '-dAutoFilterGrayImages=false',
  '-dColorImageFilter=/FlateEncode',
  '-dGrayImageFilter=/FlateEncode',
  '-dPassThroughJPEGImages=true',
];

/** An EPS as a page of PDF, its lines and areas, its inks and pictures as they are. @throws RefusedFileError */
export async function pdfOfEps(name: string, bytes: Uint8Array): Promise<Uint8Array> {
  return inFolder('drawing.eps', bytes, async (folder) => {
    try {
      await runTool(
        'gs',
        [...GS, ...UNTOUCHED, '-dEPSCrop', '-sColorConversionStrategy=LeaveColorUnchanged', '-o', 'out.pdf', 'drawing.eps'],
        folder,
      );
      return await readFile(join(folder, 'out.pdf'));
    } catch (error) {
      throw refused(name, error);
    }
  });
}

/** An SVG as a page of PDF. @throws ToolError where the program is missing or finds it wrong */
export const pdfOfSvg = (bytes: Uint8Array): Promise<Uint8Array> =>
  inFolder('drawing.svg', bytes, async (folder) => {
    await runTool('rsvg-convert', ['--format=pdf', '--output=out.pdf', 'drawing.svg'], folder);
    return readFile(join(folder, 'out.pdf'));
  });

/**
 * A page of a PDF, its colours of light in the printer's inks; what is in inks already stays as it is.
 * @param press the print shop’s own profile
 * @throws ToolError
 */
export const inInks = (bytes: Uint8Array, page: number, press?: Uint8Array): Promise<Uint8Array> =>
  inFolder('drawing.pdf', bytes, async (folder) => {
    const colours = ['-sColorConversionStrategy=CMYK', '-sProcessColorModel=DeviceCMYK'];
    if (press) {
      await writeFile(join(folder, 'press.icc'), press);
      colours.push('-sOutputICCProfile=press.icc');
    }
    const only = [`-dFirstPage=${page}`, `-dLastPage=${page}`];
    await runTool('gs', [...GS, ...UNTOUCHED, ...colours, ...only, '-o', 'out.pdf', 'drawing.pdf'], folder);
    return readFile(join(folder, 'out.pdf'));
  });
