import { countRecords, type DocumentHead } from '@/store/documents';
import { findPagePicture } from '@/store/pagePictures';
import { NotThereError } from '../errors';
import { jobs } from '../jobs/jobs';
import { pagePicture } from '../jobs/pagePicture';
import { Kept } from '../kept';

/** How wide a small picture of a page is drawn, pixels. */
export const PREVIEW_WIDTH = 320;

/** Pictures of pages that are being drawn for several who ask at once, by document, state and size. */
const asked = new Kept<Uint8Array>(60);

/** A page as it now is, as a PNG. @throws NotThereError, BusyError */
export async function previewPage(
  { id: document, seq }: DocumentHead,
  page: number,
  signal?: AbortSignal,
): Promise<{ etag: string; png: Uint8Array }> {
  if (page < 1 || page > (await countRecords(document, 'page'))) throw new NotThereError(`There is no page ${page}.`);
  const etag = `${document}-${seq}-${page}`;
  const find = () => findPagePicture(document, page, PREVIEW_WIDTH, seq);
  const make = async (stop: AbortSignal) => {
    const drawn = await find();
    if (drawn) return drawn;
    await jobs().ask(pagePicture, { document, page, width: PREVIEW_WIDTH }, stop);
    return (await find())!;
  };
  return { etag, png: await asked.get(etag, make, signal) };
}

/** A page as it was when it was last drawn, as a PNG: what is there to be seen while it is drawn anew. @throws NotThereError */
export async function earlierPreview({ id }: DocumentHead, page: number): Promise<Uint8Array> {
  const png = await findPagePicture(id, page, PREVIEW_WIDTH, 0);
  if (!png) throw new NotThereError(`Page ${page} has not been drawn yet.`);
  return png;
}
