import { countRecords, type DocumentHead } from '@/store/documents';
import { findPagePicture } from '@/store/pagePictures';
import { NotThereError } from '../errors';
import { jobs } from '../jobs/jobs';
import { pagePicture } from '../jobs/pagePicture';
import { Kept } from '../kept';

/** Pictures of pages that are being drawn for several who ask at once, by document, state and size. */
const asked = new Kept<Uint8Array>(60);

/** A page as it now is, as a PNG. @throws NotThereError, BusyError */
export async function previewPage(
  { id: document, seq }: DocumentHead,
  page: number,
  width: number,
  signal?: AbortSignal,
): Promise<{ etag: string; png: Uint8Array }> {
  if (page < 1 || page > (await countRecords(document, 'page'))) throw new NotThereError(`There is no page ${page}.`);
  const etag = `${document}-${seq}-${page}-${width}`;
  const find = () => findPagePicture(document, page, width, seq);
  const make = async (stop: AbortSignal) => {
    const drawn = await find();
    if (drawn) return drawn;
    await jobs().ask(pagePicture, { document, page, width }, stop);
    return (await find())!;
  };
  return { etag, png: await asked.get(etag, make, signal) };
}
