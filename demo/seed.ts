import { documentOf } from '@/core/records/document';
import type { PictureRecord } from '@/core/records/index';
import { composerFor } from '@/formats/faces/files';
import { readPicture } from '@/formats/pictures/read';
import { putBlob } from '@/store/blobs';
import { insertDocument } from '@/store/documents';
import { insertPublication, listPublications } from '@/store/publications';
import { LONGSPAR_HOUSE } from './longspar/house';
import { issue14 } from './longspar/issue14';
import { drawn, PICTURES } from './longspar/pictures';

/** Fills an empty database with the demo: Longspar, its house and its issue No. 14. Gives false when it is not empty. */
export async function seed(): Promise<boolean> {
  if ((await listPublications()).length > 0) return false;
  const pictures = new Map<string, Omit<PictureRecord, 'kind' | 'id' | 'order'>>();
  for (const picture of PICTURES) {
    const bytes = await drawn(picture);
    const read = await readPicture(picture.file, bytes);
    pictures.set(picture.file, { ...read, blob: await putBlob(read.media, bytes) });
  }
  const { composer } = await composerFor(documentOf(LONGSPAR_HOUSE));
  const issue = await issue14(pictures, composer);
  await insertPublication({ id: 'longspar', name: 'Longspar', kind: 'magazine', frequency: 'quarterly' });
  await insertDocument({ id: 'longspar-house', publication: 'longspar', kind: 'house', name: 'House' }, LONGSPAR_HOUSE);
  await insertDocument({ id: 'longspar-14', publication: 'longspar', kind: 'issue', name: 'No. 14, Winter' }, [
    ...issue.records.values(),
  ]);
  return true;
}
