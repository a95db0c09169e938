import { BadRequestError } from '../errors';
import { Kept } from '../kept';
import { designPages } from '../jobs/designPages';
import { jobs } from '../jobs/jobs';

/** Pixels of a picture of a design's page. */
const WIDTH = 240;

const made = new Kept<readonly Uint8Array[]>(27);

/** A recurring page of a starting design in one of its palettes, as a PNG; pages are counted from 1. @throws BadRequestError */
export async function designPicture(design: string, palette: number, page: number): Promise<Uint8Array> {
  const pages = await made.get(`${design} ${palette}`, async (stop) =>
    (await jobs().ask(designPages, { design, palette, width: WIDTH }, stop)).map((png) => Buffer.from(png, 'base64')),
  );
  const png = pages[page - 1];
  if (!png) throw new BadRequestError(`That design has no page ${page}.`);
  return png;
}
