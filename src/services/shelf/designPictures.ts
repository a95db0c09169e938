import type { PublicationKind } from '@/core/plan/startingHouse';
import { BadRequestError } from '../errors';
import { Kept } from '../kept';
import { typesetting } from '../deliveries/start';

/** Pixels of a picture of a design's page. */
const WIDTH = 240;

const made = new Kept<readonly Uint8Array[]>(12);

/** A recurring page of a starting design in one of its palettes, as a PNG; pages are counted from 1. @throws BadRequestError */
export async function designPicture(kind: PublicationKind, palette: number, page: number): Promise<Uint8Array> {
  const pages = await made.get(`${kind} ${palette}`, () =>
    typesetting<readonly Uint8Array[]>({ job: 'design', kind, palette, width: WIDTH }),
  );
  const png = pages[page - 1];
  if (!png) throw new BadRequestError(`That design has no page ${page}.`);
  return png;
}
