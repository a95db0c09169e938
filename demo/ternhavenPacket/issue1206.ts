import { join } from 'node:path';
import { bookAdvertisement } from '@/core/actions/advertisements';
import { setSection } from '@/core/actions/sections';
import { planStory, setStory } from '@/core/actions/stories';
import type { Typesetter } from '@/core/actions/typesetter';
import { get, type Document } from '@/core/records/document';
import type { StoryState } from '@/core/records/story';
import { begun, Pages, type ReadPictures } from '../pages';
import { PACKET_HOUSE } from './house';

/** The Ternhaven Packet No. 1206: the front, seven pages behind it and the back are laid out; the rest is planned, with copy waiting. */

const FOLDER = join(process.cwd(), 'demo', 'ternhavenPacket', 'stories');

/** How far each story is, when it is due, who writes it, and how many words it was asked for at. */
const STORIES: readonly (readonly [
  id: string,
  file: string,
  section: string,
  state: StoryState,
  due: string,
  writer: string,
  target: number,
])[] = [
  ['ferry', 'ferry-to-sail-with-the-tide', 'News', 'passed', '2026-11-27', 'Tam Oakes', 650],
  ['market', 'market-opens-under-new-awnings', 'News', 'passed', '2026-11-27', 'Constance Ferris', 270],
  ['wall', 'sea-wall-the-second-reading', 'Council', 'passed', '2026-11-27', 'Tam Oakes', 400],
  ['brief', 'in-brief', 'News', 'edited', '2026-11-28', 'Idris Vane', 250],
  ['gusts', 'observatory-counts-nineteen-gusts', 'News', 'edited', '2026-11-28', 'Ines Calloway', 300],
  ['school', 'hill-school-beats-the-harbour', 'Sport', 'edited', '2026-11-30', 'Constance Ferris', 200],
  ['magistrates', 'before-the-magistrates', 'Courts', 'edited', '2026-11-30', 'Tam Oakes', 300],
  ['desk', 'forty-years-of-the-second-desk', 'News', 'edited', '2026-11-30', 'Constance Ferris', 300],
  ['lamp', 'the-lamp-at-gannet-head', 'Feature', 'passed', '2026-11-28', 'Idris Vane', 900],
  ['bell', 'the-bell-that-was-ordered', 'News', 'edited', '2026-11-30', 'Tam Oakes', 250],
  ['quill', 'mr-ezra-quill', 'Obituary', 'passed', '2026-11-27', 'Constance Ferris', 400],
  ['letters', 'letters-to-the-packet', 'Letters', 'edited', '2026-12-01', 'Constance Ferris', 350],
  ['soup', 'a-soup-for-the-first-frost', 'Kitchen', 'passed', '2026-11-27', 'Martha Coyle', 350],
  ['slip', 'at-the-slip-this-week', 'Harbour', 'delivered', '2026-12-01', 'Joan Fairweather', 140],
  ['sailings', 'when-the-ferry-sails', 'Harbour', 'delivered', '2026-12-01', 'Joan Fairweather', 130],
  ['meter', 'november-by-the-meter', 'Harbour', 'delivered', '2026-12-01', 'Dr Lindqvist', 120],
  ['trials', 'a-point-that-belongs-to-nobody', 'Sport', 'passed', '2026-11-30', 'Idris Vane', 300],
  ['results', 'results-and-fixtures', 'Sport', 'delivered', '2026-12-02', 'Idris Vane', 170],
  // These wait for a page.
  ['nets', 'what-the-nets-brought', 'Harbour', 'delivered', '2026-12-01', 'Idris Vane', 200],
  ['lifeboat', 'thanks-from-the-lifeboat', 'Harbour', 'delivered', '2026-12-01', 'Aaron Tregear', 130],
];

/** Asked for, and not here yet. */
const PLANNED: readonly (readonly [
  name: string,
  section: string,
  words: number,
  state: StoryState,
  due: string,
  writer: string,
])[] = [
  ['The school that faces the other way', 'Feature', 900, 'commissioned', '2026-12-01', 'Ines Calloway'],
  ['What is on, and where it is dry', 'Dates', 400, 'commissioned', '2026-12-01', 'Constance Ferris'],
  ['A year of the second ferry', 'Feature', 700, 'planned', '2026-12-02', 'Tam Oakes'],
  ['The long table: who sits where', 'Council', 500, 'planned', '2026-12-02', 'Tam Oakes'],
];

/** Booked, their artwork still to come. */
const BOOKED = [
  ['Fairweather, dentist', 'quarter'],
  ['Pellow’s coal', 'halfUpright'],
] as const;

export async function issue1206(pictures: ReadPictures, typesetter: Typesetter): Promise<Document> {
  const started = begun(PACKET_HOUSE, {
    publication: 'The Ternhaven Packet',
    number: '1206',
    season: '3 December',
    date: '2026-12-03',
    pages: 16,
  });
  const pages = new Pages(started, typesetter, pictures, FOLDER);
  const { edit } = pages;
  for (const [id, file, section, state, due, writer, target] of STORIES) {
    await pages.story(id, file, section, state, due);
    edit.take(setStory(edit.document, id, { writer, target }));
  }
  for (const [name, section, target, state, due, writer] of PLANNED)
    edit.take(planStory(edit.document, { name, section, target, state, due, writer }));
  for (const [name, size] of BOOKED) edit.take(bookAdvertisement(edit.document, { name, size }));
  for (const id of ['letters', 'brief', 'slip', 'results']) pages.ragged(get(edit.document, 'story', id).parts.body);
  front(pages);
  council(pages);
  news(pages);
  courts(pages);
  lamp(pages);
  townAndObituary(pages);
  lettersAndKitchen(pages);
  harbour(pages);
  sport(pages);
  for (const [number, name] of [
    [1, 'News'],
    [5, 'Feature'],
    [6, 'Town'],
    [8, 'Harbour and hill'],
    [15, 'Sport'],
  ] as const)
    edit.take(setSection(edit.document, pages.page(number).page.id, { name }));
  return edit.document;
}

function front(pages: Pages): void {
  pages.restyle(get(pages.edit.document, 'story', 'ferry').parts.headline, 'headlineLead', () => true);
  pages.fillPicture('ferry.jpg', 1);
  pages.fill('ferry', 1, 'Lead story');
  pages.fill('market', 1, 'Second story');
  pages.moveParts('ferry', 'ferry.jpg', 1, [1, 4], { body: [62, 97], picture: [33, 59] });
  pages.inColumns('ferry', 3);
  pages.inColumns('market', 1);
  pages.bookByLines('Harbour Bakery', 'harbour-bakery.svg', 1, [5, 6], [46, 63]);
  // The list of what is inside is longer than the design reckons with.
  pages.move(
    1,
    [
      [5, 6],
      [77, 97],
    ],
    [
      [5, 6],
      [66, 97],
    ],
  );
  pages.quote('ferry', 'It will make a change to be right');
}

function council(pages: Pages): void {
  pages.article('wall', 2, [1, 4], [1, 55], { across: 3, picture: 'sea-wall.jpg', deep: 22 });
  pages.article('brief', 2, [5, 6], [1, 44], { across: 1 });
  pages.show('brief-seal.jpg', 2, [5, 6], [43, 53]);
  pages.bookByLines('Ternhaven Chandlers', 'ternhaven-chandlers.svg', 2, [1, 6], [58, 97]);
}

function news(pages: Pages): void {
  pages.article('gusts', 3, [1, 6], [1, 54], { across: 4, picture: 'hollin-head-dusk.jpg', deep: 28 });
  pages.rule(3, pages.box(3, [1, 6], [55, 55]), 'ink', 0.75);
  pages.show('hill-school.jpg', 3, [4, 6], [56, 78]);
  pages.article('school', 3, [1, 3], [56, 81], { across: 2, style: 'headlineSmall' });
  pages.bookByLines('Marram & Sons, sailcloth', 'marram-wide.svg', 3, [1, 6], [82, 97]);
}

function courts(pages: Pages): void {
  pages.article('magistrates', 4, [1, 2], [1, 52], { across: 1 });
  pages.article('desk', 4, [3, 6], [1, 52], { across: 3, picture: 'desk-lid.jpg', deep: 22 });
  pages.rule(4, pages.box(4, [1, 6], [54, 54]), 'ink', 0.75);
  pages.show('roofs.jpg', 4, [1, 6], [55, 74]);
  pages.bookByLines('Hawtrey’s Quarry', 'hawtreys-quarry.pdf', 4, [1, 3], [78, 97]);
  pages.bookByLines('The Old Smithy', 'old-smithy.svg', 4, [4, 6], [78, 97]);
}

function lamp(pages: Pages): void {
  pages.words(5, pages.box(5, [1, 6], [1, 1]), [['kicker', 'THE KEEPER WHO IS NOT ON THE CHART']]);
  const line = pages.opening('lamp', 5, 2, { headline: [1, 6], style: 'headlineLead', rest: [1, 5] });
  pages.show('gannet-head.jpg', 5, [1, 6], [line, line + 34]);
  pages.run('lamp', 5, [1, 6], [line + 37, 97], 4, { balanced: true });
  pages.show('lamp-window.jpg', 5, [5, 6], [72, 94]);
  pages.quote('lamp', 'If people want to look at it they may');
}

function townAndObituary(pages: Pages): void {
  pages.article('bell', 6, [1, 3], [1, 56], { across: 2, picture: 'bell.webp', deep: 22 });
  pages.article('quill', 6, [4, 6], [1, 56], { across: 2, picture: 'clock.jpg', deep: 14 });
  pages.rule(6, pages.box(6, [1, 6], [58, 58]), 'ink', 0.75);
  pages.show('harbour-night.jpg', 6, [1, 6], [59, 94]);
}

function lettersAndKitchen(pages: Pages): void {
  pages.article('letters', 7, [1, 3], [1, 56], { across: 2 });
  pages.article('soup', 7, [4, 6], [1, 56], { across: 2, picture: 'soup.jpg', deep: 17 });
  pages.rule(7, pages.box(7, [1, 6], [58, 58]), 'ink', 0.75);
  pages.bookByLines('Sarrow, photographer', 'sarrow-flat.svg', 7, [1, 3], [60, 97]);
  pages.bookByLines('Roake’s eggs', 'eggs-quarter.svg', 7, [4, 6], [60, 97]);
}

function harbour(pages: Pages): void {
  pages.show('harbour-morning.jpg', 8, [1, 6], [1, 36]);
  const sailings = pages.tableOf('sailings');
  const meter = pages.tableOf('meter');
  pages.place('sailings', 8, [1, 2], [40, 62], false, 1);
  pages.blocks(8, pages.box(8, [1, 2], [56, 67]), [pages.tableStyled(sailings, 1.3)], { grows: false });
  pages.place('slip', 8, [3, 4], [40, 67], false, 1);
  pages.place('meter', 8, [5, 6], [40, 58], false, 1);
  pages.blocks(8, pages.box(8, [5, 6], [57, 67]), [pages.tableStyled(meter, 1.2)], { grows: false });
  pages.rule(8, pages.box(8, [1, 6], [69, 69]), 'ink', 0.75);
  pages.show('chart-ferry.svg', 8, [1, 3], [70, 94]);
  pages.bookByLines('The Ferry House Inn', 'ferry-house-inn.svg', 8, [4, 6], [70, 97]);
}

function sport(pages: Pages): void {
  const tables = [pages.tableOf('results'), pages.tableOf('results')];
  pages.without('results', 'Next Saturday');
  pages.show('equinox-fly.jpg', 16, [1, 4], [9, 40]);
  pages.fill('trials', 16, 'Sport');
  pages.fill('results', 16, 'Results');
  pages.inColumns('trials', 3);
  pages.moveParts('trials', 'equinox-fly.jpg', 16, [1, 4], { picture: [9, 44], body: [48, 61] });
  pages.balance('trials');
  pages.inColumns('results', 1);
  pages.blocks(
    16,
    pages.box(16, [5, 6], [14, 60]),
    tables.map((table) => pages.tableStyled(table, 2.6)),
    { grows: false },
  );
  pages.advertise('Quay Lane Books', 'books-half.svg', 16, { columns: 6, lines: 33 });
}
