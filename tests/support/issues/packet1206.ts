import { join } from 'node:path';
import { bookAdvertisement } from '@/core/actions/advertisements';
import { putRecurring } from '@/core/actions/pages';
import { setSection } from '@/core/actions/sections';
import type { Typesetter } from '@/core/actions/typesetter';
import { planStory } from '@/core/actions/stories';
import { documentOf, type Document } from '@/core/records/document';
import { begun, Pages, type ReadPictures } from '@demo/pages';
import { PACKET_HOUSE } from '@demo/ternhavenPacket/house';
import type { StoryState } from '@/core/records/story';

/** The Ternhaven Packet No. 1206 as the tests know it: three pages are done, the rest is planned and empty. */

const FOLDER = join(process.cwd(), 'demo', 'ternhavenPacket', 'stories');

const PLANNED: readonly (readonly [name: string, section: string, words: number, state: StoryState, due: string])[] = [
  ['The lamp at Gannet Head', 'Feature', 900, 'commissioned', '2026-12-01'],
  ['Letters to the Packet', 'Letters', 1400, 'planned', '2026-12-01'],
  ['Results and fixtures', 'Sport', 240, 'planned', '2026-12-02'],
];

/** Booked, their artwork still to come. */
const BOOKED = [
  ['Hawtrey’s Quarry', 'quarter'],
  ['The Old Smithy', 'column'],
  ['Sarrow, photographer', 'halfUpright'],
] as const;

/** No. 1206: the front page and pages 2 and 3 are done, the rest is planned. */
export async function issue1206(pictures: ReadPictures, typesetter: Typesetter): Promise<Document> {
  const house = documentOf(PACKET_HOUSE);
  const started = begun(PACKET_HOUSE, {
    publication: 'The Ternhaven Packet',
    number: '1206',
    season: '3 December',
    date: '2026-12-03',
    pages: 14,
  });
  const pages = new Pages(started, typesetter, pictures, FOLDER);
  const { edit } = pages;
  edit.take(putRecurring(edit.document, house, 'page-news', pages.page(3).page.id));
  edit.take(putRecurring(edit.document, house, 'page-letters', pages.page(7).page.id));
  await pages.story('ferry', 'ferry-to-sail-with-the-tide', 'News', 'passed', '2026-11-27');
  await pages.story('market', 'market-opens-under-new-awnings', 'News', 'passed', '2026-11-27');
  await pages.story('wall', 'sea-wall-the-second-reading', 'Council', 'passed', '2026-11-27');
  await pages.story('brief', 'in-brief', 'News', 'edited', '2026-11-28');
  await pages.story('nets', 'what-the-nets-brought', 'Harbour', 'edited', '2026-11-28');
  await pages.story('gusts', 'observatory-counts-nineteen-gusts', 'News', 'edited', '2026-11-28');
  await pages.story('school', 'hill-school-beats-the-harbour', 'Sport', 'delivered', '2026-11-30');
  for (const [name, section, target, state, due] of PLANNED)
    edit.take(planStory(edit.document, { name, section, target, state, due }));

  for (const [name, size] of BOOKED)
    edit.take(bookAdvertisement(edit.document, { name, size, ...(size === 'column' ? { lines: 24 } : {}) }));

  pages.fillPicture('strand.jpg', 1);
  pages.fill('ferry', 1, 'Lead story');
  pages.fill('market', 1, 'Second story');
  pages.book('Harbour Bakery', 'harbour-bakery.svg', 'halfFlat', 1, [5, 6], [50, 75]);
  pages.moveParts('ferry', 'strand.jpg', 1, [1, 4], { body: [62, 97], picture: [27, 59] });
  pages.balance('market');
  pages.quote('ferry', 'It will make a change to be right');

  pages.show('sea-wall.jpg', 2, [1, 4], [12, 34]);
  pages.place('wall', 2, [1, 4], [1, 55], true);
  pages.place('brief', 2, [5, 6], [1, 38], true);
  pages.book('The Ferry House Inn', 'ferry-house-inn.svg', 'halfFlat', 2, [5, 6], [40, 55]);
  pages.book('Ternhaven Chandlers', 'ternhaven-chandlers.svg', 'halfFlat', 2, [1, 6], [58, 97]);

  pages.show('hollin-head-dusk.jpg', 3, [1, 4], [15, 37]);
  pages.place('gusts', 3, [1, 4], [1, 55], true);
  pages.place('nets', 3, [5, 6], [1, 33], true);
  pages.show('fenn-kite-cutout.png', 3, [5, 6], [34, 55]);
  pages.place('school', 3, [1, 6], [58, 75], true);
  pages.book('Marram & Sons, sailcloth', 'marram-wide.svg', 'halfFlat', 3, [1, 6], [77, 97]);
  for (const [number, name] of [
    [1, 'News'],
    [8, 'Letters'],
    [9, 'Harbour and hill'],
    [15, 'Sport'],
  ] as const)
    edit.take(setSection(edit.document, pages.page(number).page.id, { name }));
  return edit.document;
}
