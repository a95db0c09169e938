import type { NewPicture } from '@/core/actions/pictures';
import type { Typesetter } from '@/core/actions/typesetter';
import type { Document } from '@/core/records/document';
import { documentOf } from '@/core/records/document';
import type { DocumentRecord } from '@/core/records/index';
import type { PublicationKind } from '@/core/records/publicationKind';
import { composerFor } from '@/formats/faces/files';
import { readPicture } from '@/formats/pictures/read';
import { PREVIEW_WIDTH } from '@/services/deliveries/previews';
import { keepPicture } from '@/services/keepPicture';
import { severalAtOnce } from '@/services/several';
import { drawPage } from '@/services/typesetting/pictures';
import { insertDocument } from '@/store/documents';
import { insertPublication, listPublications } from '@/store/publications';
import { ARTWORK, artworkFile } from './advertisements';
import { BRIDLE_HOUSE } from './bridleLine/house';
import { issue86 } from './bridleLine/no86';
import { issue87 } from './bridleLine/no87';
import { LONGSPAR_HOUSE } from './longspar/house';
import { issue13 } from './longspar/no13/issue';
import { issue14 } from './longspar/no14/issue';
import type { ReadPictures } from './pages';
import { ALTERNATIVES } from './pictures/alternatives';
import { DEMO_PICTURES } from './pictures/index';
import { drawn } from './pictures/picture';
import { issue1206 } from './ternhavenPacket/issue1206';
import { PACKET_HOUSE } from './ternhavenPacket/house';

/** A publication of the demo, with its issues, the oldest first. */
interface Title {
  readonly id: string;
  readonly name: string;
  readonly kind: PublicationKind;
  readonly frequency: string;
  readonly houseId: string;
  readonly house: readonly DocumentRecord[];
  readonly issues: readonly {
    readonly id: string;
    readonly name: string;
    readonly lay: (pictures: ReadPictures, typesetter: Typesetter) => Promise<Document>;
  }[];
}

const TITLES: readonly Title[] = [
  {
    id: 'longspar',
    name: 'Longspar',
    kind: 'magazine',
    frequency: 'quarterly',
    houseId: 'longspar-house',
    house: LONGSPAR_HOUSE,
    issues: [
      { id: 'longspar-13', name: 'No. 13, Autumn', lay: issue13 },
      { id: 'longspar-14', name: 'No. 14, Winter', lay: issue14 },
    ],
  },
  {
    id: 'bridle-line',
    name: 'The Bridle Line',
    kind: 'newsletter',
    frequency: 'monthly',
    houseId: 'bridle-house',
    house: BRIDLE_HOUSE,
    issues: [
      { id: 'bridle-86', name: 'No. 86, November 2026', lay: issue86 },
      { id: 'bridle-87', name: 'No. 87, December 2026', lay: issue87 },
    ],
  },
  {
    id: 'packet',
    name: 'The Ternhaven Packet',
    kind: 'newspaper',
    frequency: 'weekly',
    houseId: 'packet-house',
    house: PACKET_HOUSE,
    issues: [{ id: 'packet-1206', name: 'No. 1206, 3 December', lay: issue1206 }],
  },
];

/** Reads a file of the demo and keeps it. */
async function kept(
  file: string,
  bytes: Uint8Array,
  words: { caption?: string; credit?: string; alternative?: string } = {},
): Promise<NewPicture> {
  // Metadata has no room for curly marks, and a drawing carries none at all.
  return { ...(await keepPicture(await readPicture(file, bytes), bytes)), ...words };
}

/** How many pictures are drawn at a time: each takes a processor. */
const AT_ONCE = 3;

async function pictures(): Promise<ReadPictures> {
  const out = new Map<string, NewPicture>();
  await severalAtOnce(AT_ONCE, DEMO_PICTURES, async (picture) => {
    const { file, caption, credit } = picture;
    const words = { caption, credit, alternative: ALTERNATIVES[file]! };
    out.set(file, await kept(file, await drawn(picture), words));
  });
  await severalAtOnce(AT_ONCE, ARTWORK, async (artwork) => {
    out.set(
      artwork.file,
      await kept(artwork.file, await artworkFile(artwork), { alternative: `Advertisement of ${artwork.name}.` }),
    );
  });
  return out;
}

/** Fills an empty database with the demo: three publications, each with its house and its issues. Gives false when it is not empty. */
export async function seed(): Promise<boolean> {
  if ((await listPublications()).length > 0) return false;
  const all = await pictures();
  for (const { id, name, kind, frequency, houseId, house, issues } of TITLES) {
    const { composer } = await composerFor(documentOf(house));
    const laid = [];
    for (const issue of issues) laid.push({ ...issue, document: await issue.lay(all, composer) });
    await insertPublication({ id, name, kind, frequency });
    await insertDocument({ id: houseId, publication: id, kind: 'house', name: 'House' }, house);
    for (const { id: issue, name: called, document } of laid) {
      await insertDocument({ id: issue, publication: id, kind: 'issue', name: called }, [...document.records.values()]);
      // The shelf shows it at once.
      await drawPage(issue, 1, PREVIEW_WIDTH);
    }
  }
  return true;
}
