import { join } from 'node:path';
import { setStory } from '@/core/actions/stories';
import type { Typesetter } from '@/core/actions/typesetter';
import { type Document } from '@/core/records/document';
import { begun, Pages, type ReadPictures } from '../pages';
import { BRIDLE_HOUSE } from './house';

const FOLDER = join(process.cwd(), 'demo', 'bridleLine', 'stories86');

const STORIES: readonly (readonly [id: string, file: string, section: string, target: number])[] = [
  ['tail', 'the-length-of-a-tail', 'The Circle', 200],
  ['box-kite', 'a-box-kite-in-an-evening', 'The bench', 300],
  ['chair', 'from-the-chair-in-november', 'The Circle', 130],
  ['sails', 'sails-of-the-autumn', 'The bench', 160],
  ['letters', 'letters-of-november', 'Letters', 120],
  ['dates', 'dates-for-november', 'Dates', 80],
];

/** No. 86, November: four pages, out and done; what No. 87 was started from. */
export async function issue86(pictures: ReadPictures, typesetter: Typesetter): Promise<Document> {
  const started = begun(BRIDLE_HOUSE, {
    publication: 'The Bridle Line',
    number: '86',
    season: 'November 2026',
    date: '2026-11-12',
    pages: 4,
  });
  const pages = new Pages(started, typesetter, pictures, FOLDER);
  const { edit } = pages;
  for (const [id, file, section, target] of STORIES) {
    await pages.story(id, file, section, 'passed', '2026-10-28');
    edit.take(setStory(edit.document, id, { target, writer: 'Piers Holt' }));
  }
  pages.fill('tail', 1, 'Lead story');
  pages.fillPicture('nets.jpg', 1);
  pages.moveParts('tail', 'nets.jpg', 1, [1, 2], { body: [20, 36], picture: [38, 55] });
  pages.balance('tail');
  pages.place('box-kite', 2, [1, 3], [1, 34], true);
  pages.show('box-kite.png', 2, [3, 3], [12, 34]);
  pages.place('chair', 2, [1, 2], [37, 56], true);
  pages.column('Harbour Bakery', 'harbour-bakery.svg', 2, 3, [39, 56]);
  pages.place('sails', 3, [1, 3], [1, 26], true);
  pages.show('delta-kite.png', 3, [1, 1], [28, 36]);
  pages.show('fish-kite.png', 3, [2, 3], [27, 37]);
  pages.place('letters', 3, [1, 3], [39, 56], true);
  pages.fill('dates', 4, 'Dates');
  pages.fillPicture('clock.jpg', 4);
  return edit.document;
}
