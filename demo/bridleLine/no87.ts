import { join } from 'node:path';
import { putRecurring } from '@/core/actions/pages';
import type { Typesetter } from '@/core/actions/typesetter';
import { documentOf, type Document } from '@/core/records/document';
import { begun, Pages, type ReadPictures } from '../pages';
import { BRIDLE_HOUSE } from './house';

const FOLDER = join(process.cwd(), 'demo', 'bridleLine', 'stories');

/** What stands under the list of contents on the front page. */
const NOTES: readonly (readonly [style: string, words: string])[] = [
  ['crosshead', 'This month'],
  ['imprint', 'The Circle meets on Thursday the tenth, at seven. There will be slides.'],
  ['imprint', 'Knots on the nineteenth, from ten until the kettle.'],
  ['imprint', 'The loft is open on New Year’s Eve, and nobody will give a talk.'],
  ['crosshead', 'Wanted'],
  ['imprint', 'Six names for the list by the door. Willow, green, by the armful. Somebody tall.'],
  ['crosshead', 'Found'],
  ['imprint', 'A key. See page 6.'],
];

/** No. 87, finished: eight pages, all of them full. */
export async function issue87(pictures: ReadPictures, typesetter: Typesetter): Promise<Document> {
  const house = documentOf(BRIDLE_HOUSE);
  const started = begun(BRIDLE_HOUSE, {
    publication: 'The Bridle Line',
    number: '87',
    season: 'December 2026',
    date: '2026-12-10',
    pages: 7,
  });
  const pages = new Pages(started, typesetter, pictures, FOLDER);
  const { edit } = pages;
  edit.take(putRecurring(edit.document, house, 'page-letters', pages.page(5).page.id));
  await pages.story('loft', 'the-circle-meets-in-the-sail-loft', 'The Circle', 'passed', '2026-11-16');
  await pages.story('knots', 'three-knots-worth-the-time', 'The bench', 'passed', '2026-11-18');
  await pages.story('paper-kite', 'a-paper-kite-for-small-hands', 'Young hands', 'passed', '2026-11-18');
  await pages.story('chair', 'from-the-chair', 'The Circle', 'passed', '2026-11-20');
  await pages.story('mended', 'mended-this-month', 'The bench', 'passed', '2026-11-20');
  await pages.story('linen', 'a-winter-of-linen', 'The bench', 'passed', '2026-11-20');
  await pages.story('letters', 'letters-of-december', 'Letters', 'passed', '2026-11-23');
  await pages.story('jar', 'the-jar-on-the-windowsill', 'The Circle', 'passed', '2026-11-23');
  await pages.story('tide', 'the-hour-before-the-tide', 'The Circle', 'passed', '2026-11-23');
  await pages.story('dates', 'dates-for-the-new-year', 'Dates', 'passed', '2026-11-24');

  pages.fill('loft', 1, 'Lead story');
  pages.fillPicture('fenn-bench.webp', 1);
  pages.moveParts('loft', 'fenn-bench.webp', 1, [1, 2], { body: [20, 46], picture: [48, 56] });
  pages.tell(1, 'contents', NOTES);
  pages.place('knots', 2, [1, 3], [1, 33], true);
  (['knot-larks-head.svg', 'knot-eight.svg', 'knot-rolling-hitch.svg'] as const).forEach((file, i) => {
    const at = pages.box(2, [i + 1, i + 1], [38, 51]);
    const drawing = pages.hang(file, 2, at, { fit: 'fit' });
    pages.captioned(drawing, 2, { ...at, y: at.y + at.h + 6, h: 12 });
  });
  pages.rule(2, pages.box(2, [1, 3], [36, 36]), 'ink', 0.75);
  pages.place('paper-kite', 3, [1, 3], [1, 45], true);
  ([1, 2, 3, 4] as const).forEach((step) => {
    const row = pages.box(3, [1, 3], [47, 55]);
    const w = (row.w - 3 * 12) / 4;
    const at = { ...row, x: row.x + (step - 1) * (w + 12), w };
    const drawing = pages.hang(`fold-${step}.svg`, 3, at, { fit: 'fit' });
    pages.captioned(drawing, 3, { ...at, y: at.y + at.h + 2, h: 10 });
  });
  pages.place('chair', 4, [1, 3], [1, 22], true);
  pages.column('Harbour Bakery', 'harbour-bakery.svg', 4, 3, [39, 56]);
  pages.place('mended', 4, [1, 2], [24, 56], true);
  pages.show('shears.png', 4, [3, 3], [25, 36]);
  pages.show('linen.jpg', 5, [1, 3], [11, 28]);
  pages.place('linen', 5, [1, 3], [1, 56], true);
  pages.fill('letters', 6, 'Letters');
  pages.balance('letters');
  pages.show('strand.jpg', 6, [1, 2], [44, 54]);
  pages.column('The Ferry House Inn', 'ferry-house-inn.svg', 6, 3, [6, 25]);
  pages.place('jar', 6, [3, 3], [28, 56]);
  pages.show('hollin-head-dusk.jpg', 7, [1, 2], [35, 54]);
  pages.column('Marram & Sons, sailcloth', 'marram-column.svg', 7, 3, [44, 56]);
  pages.place('tide', 7, [1, 3], [1, 56], false);
  pages.quote('tide', 'A hammer, she says');
  pages.fill('dates', 8, 'Dates');
  pages.fillPicture('lantern.jpg', 8);
  return edit.document;
}
