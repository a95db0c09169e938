import { join } from 'node:path';
import { setSection } from '@/core/actions/sections';
import { setStory } from '@/core/actions/stories';
import type { Typesetter } from '@/core/actions/typesetter';
import { get, type Document } from '@/core/records/document';
import type { StoryState } from '@/core/records/story';
import { Pages, type ReadPictures } from '../../pages';
import { numberOf } from '../number';
import { barAndLine, womenAndKnots } from './middle';
import { cover, front } from './front';
import { gustsAndFallen, spar } from './features';
import { tail } from './tail';

/**
 * Longspar No. 14, Winter: a cover of four pages and thirty-two within. It is nearly done, and some of it is wrong on purpose, so that
 * Checks has something to say: see “Faults that are meant” in docs/demo.md.
 */

const FOLDER = join(process.cwd(), 'demo', 'longspar', 'stories');
const PAGES = 36;
/** Pages whose pictures or advertisements fill them: no folio stands on those. */
const PLAIN = new Set([1, 2, 6, 9, 18, 19, 28, 34, 36]);

/** How far each story is, how many words it was asked for at, when it is due, and who writes it where no byline says so. */
const STORIES: readonly (readonly [
  id: string,
  section: string,
  state: StoryState,
  target: number,
  due: string,
  writer?: string,
])[] = [
  ['from-the-editor', 'Department', 'passed', 220, '2026-11-24'],
  ['letters-to-longspar', 'Department', 'passed', 250, '2026-11-16', 'Hester Lowe'],
  ['the-spar-remembers', 'Feature', 'passed', 1050, '2026-11-16'],
  ['what-the-gust-meter-heard', 'Feature', 'passed', 900, '2026-11-18'],
  ['two-hands-on-the-line', 'Department', 'passed', 150, '2026-11-18'],
  ['a-field-guide-to-fallen-kites', 'Feature', 'passed', 200, '2026-11-18', 'Inge Sarrow'],
  ['linen-silk-paper-nylon', 'Test', 'edited', 400, '2026-11-30'],
  ['the-women-who-sewed-the-wind', 'Feature', 'passed', 1000, '2026-11-20'],
  ['nine-knots', 'Bench', 'edited', 400, '2026-11-30'],
  ['over-the-bar', 'Feature', 'edited', 950, '2026-11-30'],
  ['the-line-walker', 'Feature', 'edited', 650, '2026-12-01'],
  ['forty-makers-no-agreement', 'Feature', 'delivered', 500, '2026-12-01'],
  ['read-in-the-loft', 'Department', 'passed', 250, '2026-11-23'],
  ['dates-for-a-cold-quarter', 'Department', 'edited', 160, '2026-12-02', 'Piers Holt'],
  ['a-kite-for-a-day-without-wind', 'Department', 'passed', 290, '2026-11-24'],
  ['from-the-bench', 'Department', 'delivered', 300, '2026-11-27'],
];

/** @param pictures the demo’s pictures by file name, with their blobs kept */
export async function issue14(pictures: ReadPictures, typesetter: Typesetter): Promise<Document> {
  const start = numberOf({ number: '14', season: 'Winter', date: '2026-12-04' }, PAGES, PLAIN);
  const pages = new Pages(start, typesetter, pictures, FOLDER);
  const { edit } = pages;
  for (const [id, section, state, target, due, writer] of STORIES) {
    await pages.story(id, id, section, state, due);
    edit.take(setStory(edit.document, id, { target, ...(writer ? { writer } : {}) }));
    const { body } = get(edit.document, 'story', id).parts;
    if (!PLAIN_OPENING.has(id)) pages.restyle(body, 'bodyOpening', (_, i) => i === 0);
    if (RAGGED.has(id)) pages.ragged(body);
  }
  cover(pages);
  front(pages);
  spar(pages);
  gustsAndFallen(pages);
  womenAndKnots(pages);
  barAndLine(pages);
  tail(pages);
  // These have come, and wait for a place.
  for (const file of WAITING) pages.picture(file);
  for (const [number, name] of [
    [1, 'Cover'],
    [3, 'Departments'],
    [6, 'Features'],
    [32, 'Departments, back'],
  ] as const)
    edit.take(setSection(edit.document, pages.page(number).page.id, { name }));
  return edit.document;
}

/** Stories that begin without a drop cap: short ones, lists, and what is set small. */
const PLAIN_OPENING = new Set([
  'letters-to-longspar',
  'a-field-guide-to-fallen-kites',
  'dates-for-a-cold-quarter',
  'read-in-the-loft',
  'the-line-walker',
]);

/** Stories of short pieces, set ragged: words are not driven apart in them. */
const RAGGED = new Set([
  'letters-to-longspar',
  'a-field-guide-to-fallen-kites',
  'dates-for-a-cold-quarter',
  'read-in-the-loft',
  'two-hands-on-the-line',
]);

const WAITING = ['portrait-marsh.jpg', 'portrait-lindqvist.jpg', 'gull.png', 'harbour-night.jpg'] as const;
