import { documentOf } from '@/core/records/document';
import type { NewPicture } from '@/core/actions/pictures';
import { composerFor } from '@/formats/faces/files';
import { readPicture } from '@/formats/pictures/read';
import { keepPicture } from '@/services/keepPicture';
import { pool } from '@/store/pool';
import { insertDocument } from '@/store/documents';
import { insertPublication } from '@/store/publications';
import { BRIDLE_HOUSE } from '@demo/bridleLine/house';
import { issue87 } from '@demo/bridleLine/no87';
import { PACKET_HOUSE } from '@demo/ternhavenPacket/house';
import { issue1206 } from './packet1206';
import { LONGSPAR_HOUSE } from '@demo/longspar/house';
import { issue14 } from './longspar14';
import { DIAGRAMS } from '@demo/pictures/diagrams';
import { PICTURES } from '@demo/pictures/first';
import { OBJECTS } from '@demo/pictures/objects';
import { drawn } from '@demo/pictures/picture';
import { ARTWORK, artworkFile } from '@demo/advertisements';
import { TOWN_PICTURES } from '@demo/pictures/town';

/** Those that The Bridle Line has beside the others. */
const OF_THE_NEWSLETTER = [...DIAGRAMS, ...OBJECTS.filter(({ file }) => file === 'shears.png')];

/** Reads a picture of the demo and keeps its files. */
const kept = async (file: string, bytes: Uint8Array): Promise<NewPicture> => keepPicture(await readPicture(file, bytes), bytes);

/**
 * Fills an empty database with what the browser tests work in: three small issues in the world of the demo. They are the tests' own, so
 * that the demo can change without them.
 */
async function seed(): Promise<void> {
  const pictures = new Map<string, NewPicture>();
  for (const picture of [...PICTURES, ...TOWN_PICTURES, ...OF_THE_NEWSLETTER]) {
    const bytes = await drawn(picture);
    pictures.set(picture.file, await kept(picture.file, bytes));
  }
  for (const artwork of ARTWORK) pictures.set(artwork.file, await kept(artwork.file, await artworkFile(artwork)));
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
}

await seed();
await pool().end();
