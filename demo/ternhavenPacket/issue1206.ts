import { join } from 'node:path';
import { bookAdvertisement, placeAdvertisement } from '@/core/actions/advertisements';
import { Edit } from '@/core/actions/edit';
import { putRecurring } from '@/core/actions/pages';
import { setSection } from '@/core/actions/sections';
import { fillSlots } from '@/core/actions/slots';
import { planStory, putStory } from '@/core/actions/stories';
import type { Typesetter } from '@/core/actions/typesetter';
import { placedPages } from '@/core/page/pages';
import { slotsOn } from '@/core/page/slots';
import { startIssue } from '@/core/plan/startIssue';
import { startingHouse } from '@/core/plan/startingHouse';
import { all, documentOf, type Document } from '@/core/records/document';
import type { DocumentRecord } from '@/core/records/index';
import { said } from '@/core/records/said';
import type { StoryState } from '@/core/records/story';
import { readStory } from '../stories';

/** The Ternhaven Packet: the town's weekly newspaper, 280 × 400 mm on six columns, and its No. 1206, planned and mostly empty. */

const FOLDER = join(process.cwd(), 'demo', 'ternhavenPacket', 'stories');

export const PACKET_HOUSE: readonly DocumentRecord[] = startingHouse('newspaper', 'en-GB').map((record) =>
  record.kind === 'details'
    ? {
        ...record,
        strapline: 'For town, harbour and hill',
        publisher: 'The Packet Office, Ternhaven',
        address: '3 Slip Street, Ternhaven',
        contact: 'Letters by Tuesday noon',
        price: 'Fourpence',
        staff: 'Editor: Constance Ferris. Harbour: Idris Vane. Council: Tam Oakes.',
      }
    : record,
);

const PLANNED: readonly (readonly [name: string, section: string, words: number, state: StoryState, due: string])[] = [
  ['Sea wall: the second reading', 'Council', 520, 'commissioned', '2026-11-30'],
  ['Observatory counts nineteen gusts', 'News', 380, 'commissioned', '2026-12-01'],
  ['The lamp at Gannet Head', 'Feature', 900, 'planned', '2026-12-01'],
  ['Letters to the Packet', 'Letters', 1400, 'planned', '2026-12-01'],
  ['Hill school beats the harbour', 'Sport', 450, 'planned', '2026-12-02'],
  ['Results and fixtures', 'Sport', 240, 'planned', '2026-12-02'],
  ['What the nets brought', 'Harbour', 300, 'delivered', '2026-11-27'],
];

const BOOKED = [
  ['Ternhaven Chandlers', 'halfFlat'],
  ['Marram & Sons, sailcloth', 'quarter'],
  ['Harbour Bakery', 'column'],
  ['The Ferry House Inn', 'halfUpright'],
] as const;

export async function issue1206(typesetter: Typesetter): Promise<Document> {
  const house = documentOf(PACKET_HOUSE);
  const edit = new Edit(
    documentOf(
      startIssue(PACKET_HOUSE, {
        publication: 'The Ternhaven Packet',
        number: '1206',
        season: '3 December',
        date: '2026-12-03',
        language: 'en-GB',
        pages: 14,
        houseSeq: 0,
      }),
    ),
  );
  const id = (number: number) => placedPages(edit.document)[number - 1]!.page.id;
  edit.take(putRecurring(edit.document, house, 'news', id(2)));
  edit.take(putRecurring(edit.document, house, 'letters', id(7)));
  for (const [file, section] of [
    ['ferry-to-sail-with-the-tide', 'News'],
    ['market-opens-under-new-awnings', 'News'],
  ] as const) {
    const story = putStory(edit, await readStory(join(FOLDER, `${file}.md`), section), file.slice(0, 5));
    edit.put(said({ ...story, state: 'edited', due: '2026-11-28' }));
  }
  for (const [name, section, target, state, due] of PLANNED)
    edit.take(planStory(edit.document, { name, section, target, state, due }));
  for (const [name, size] of BOOKED)
    edit.take(bookAdvertisement(edit.document, { name, size, ...(size === 'column' ? { lines: 24 } : {}) }));
  const front = placedPages(edit.document)[0]!;
  for (const [name, story] of [
    ['Lead story', 'ferry'],
    ['Second story', 'marke'],
  ] as const) {
    const slot = slotsOn(edit.document, front).find(({ content }) => content.name === name)!;
    edit.take(fillSlots(edit.document, { story, page: front.page.id, set: slot.content.set }, typesetter));
  }
  const [chandlers] = all(edit.document, 'advertisement');
  edit.take(placeAdvertisement(edit.document, { advertisement: chandlers!.id, page: id(5) }));
  for (const [number, name] of [
    [1, 'News'],
    [8, 'Letters'],
    [9, 'Harbour and hill'],
    [15, 'Sport'],
  ] as const)
    edit.take(setSection(edit.document, id(number), { name }));
  return edit.document;
}
