import { documentOf } from '@/core/records/document';
import type { NewPicture } from '@/core/actions/pictures';
import { composerFor } from '@/formats/faces/files';
import { readPicture } from '@/formats/pictures/read';
import { putBlob } from '@/store/blobs';
import { insertDocument } from '@/store/documents';
import { insertPublication, listPublications } from '@/store/publications';
import { BRIDLE_HOUSE, issue87 } from './bridleLine/issue87';
import { issue1206, PACKET_HOUSE } from './ternhavenPacket/issue1206';
import { LONGSPAR_HOUSE } from './longspar/house';
import { issue14 } from './longspar/issue14';
import { drawn, PICTURES } from './longspar/pictures';
import { ARTWORK, artworkSvg } from './advertisements';
import { TOWN_PICTURES } from './townPictures';

/** Reads a picture of the demo and keeps its files. */
async function kept(file: string, bytes: Uint8Array): Promise<NewPicture> {
  const { facts, preview } = await readPicture(file, bytes);
  const blob = await putBlob(facts.media, bytes);
  return { ...facts, blob, ...(preview ? { preview: await putBlob('image/webp', preview) } : {}) };
}

/** Fills an empty database with the demo: three publications, each with its house and an issue. Gives false when it is not empty. */
export async function seed(): Promise<boolean> {
  if ((await listPublications()).length > 0) return false;
  const pictures = new Map<string, NewPicture>();
  for (const picture of [...PICTURES, ...TOWN_PICTURES]) {
    const bytes = await drawn(picture);
    pictures.set(picture.file, await kept(picture.file, bytes));
  }
  for (const artwork of ARTWORK) pictures.set(artwork.file, await kept(artwork.file, Buffer.from(await artworkSvg(artwork))));
  const { composer } = await composerFor(documentOf(LONGSPAR_HOUSE));
  const own = new Map([...pictures].filter(([file]) => PICTURES.some((picture) => picture.file === file)));
  const issue = await issue14(own, composer);
  await insertPublication({ id: 'longspar', name: 'Longspar', kind: 'magazine', frequency: 'quarterly' });
  await insertDocument({ id: 'longspar-house', publication: 'longspar', kind: 'house', name: 'House' }, LONGSPAR_HOUSE);
  await insertDocument({ id: 'longspar-14', publication: 'longspar', kind: 'issue', name: 'No. 14, Winter' }, [
    ...issue.records.values(),
  ]);
  const bridle = (await composerFor(documentOf(BRIDLE_HOUSE))).composer;
  await insertPublication({ id: 'bridle-line', name: 'The Bridle Line', kind: 'newsletter', frequency: 'monthly' });
  await insertDocument({ id: 'bridle-house', publication: 'bridle-line', kind: 'house', name: 'House' }, BRIDLE_HOUSE);
  await insertDocument({ id: 'bridle-87', publication: 'bridle-line', kind: 'issue', name: 'No. 87, December 2026' }, [
    ...(await issue87(pictures, bridle)).records.values(),
  ]);
  await insertPublication({ id: 'packet', name: 'The Ternhaven Packet', kind: 'newspaper', frequency: 'weekly' });
  await insertDocument({ id: 'packet-house', publication: 'packet', kind: 'house', name: 'House' }, PACKET_HOUSE);
  await insertDocument({ id: 'packet-1206', publication: 'packet', kind: 'issue', name: 'No. 1206, 3 December' }, [
    ...(await issue1206(pictures, (await composerFor(documentOf(PACKET_HOUSE))).composer)).records.values(),
  ]);
  return true;
}
