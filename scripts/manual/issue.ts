import { join } from 'node:path';
import { setDetails } from '@/core/actions/details';
import type { Typesetter } from '@/core/actions/typesetter';
import { pageGrid } from '@/core/page/grid';
import { formatOf } from '@/core/page/pages';
import { partOf } from '@/core/compose/measure/part';
import { startingHouse } from '@/core/plan/startingHouse';
import { bodyText, mapParagraphs, paragraphOf, plainText, textOf } from '@/core/records/body';
import { all, type Document, get } from '@/core/records/document';
import type { DocumentRecord, FrameRecord } from '@/core/records/index';
import type { ParagraphAttrs } from '@/core/records/text';
import { HELP } from '@/screens/frame/help/entries';
import { begun, Pages, type ReadPictures } from '@demo/pages';

/** The manual as an issue: a page for each chapter, with its picture, and keys in the margin. */

type Key = readonly [keys: string, what: string];

/** Its chapters in their order: a file of copy, the picture of the screen, and keys that are worth knowing there. */
export const CHAPTERS: readonly (readonly [file: string, picture: string, keys: readonly Key[]])[] = [
  [
    'the-shelf',
    'shelf.jpg',
    [
      ['n', 'New publication'],
      ['Ctrl+K', 'Find a command'],
      ['?', 'All shortcuts'],
    ],
  ],
  [
    'the-house',
    'house.jpg',
    [
      ['?', 'At a field: what it means'],
      ['Ctrl+Z', 'Undo'],
    ],
  ],
  [
    'plan',
    'plan.jpg',
    [
      ['Arrow keys', 'From page to page'],
      ['Enter', 'Open the page'],
    ],
  ],
  [
    'copy',
    'copy.jpg',
    [
      ['b', 'Bring in files'],
      ['Ctrl+F', 'Find and replace'],
      ['F7', 'Spelling'],
    ],
  ],
  [
    'pages',
    'pages.jpg',
    [
      ['[ ]', 'Turn the spreads'],
      ['.', 'Proof'],
      ['F6', 'To the frames'],
      ['Enter', 'Into the text'],
      ['0', 'Fit the spread'],
    ],
  ],
  [
    'finish',
    'finish.jpg',
    [
      ['q', 'Pull a quote'],
      ['Alt+W', 'Next text wrap'],
      ['Alt+K', 'Take up a look'],
      ['o', 'Mend an outline'],
    ],
  ],
  [
    'fit',
    'fit.jpg',
    [
      ['Alt+F', 'Fit'],
      ['Alt+O', 'Look into the overset'],
      ['Space', 'As it was'],
    ],
  ],
  [
    'checks',
    'checks.jpg',
    [
      ['↑ ↓', 'Next finding'],
      ['m', 'Mend it'],
      ['Enter', 'Show it'],
      ['a', 'Accept it'],
    ],
  ],
  ['handoff', 'handoff.jpg', [['Ctrl+K', 'Make a file by name']]],
];

const FOLDER = join(process.cwd(), 'docs', 'manual', 'chapters');

/** Lines of the grid that a picture is deep, at most and at least. */
const MOST_DEEP = 21;
const LEAST_DEEP = 13;

/** A picture of the screen: its width over its height. */
const SHAPE = 1280 / 800;

/** The line of the front page under which its picture begins. */
const FRONT_FROM = 29;

export const MANUAL_HOUSE: readonly DocumentRecord[] = startingHouse('newsletter', 'en-GB', {
  design: 'correspondent',
  palette: 1,
  pages: ['page-front'],
});

export const MANUAL = { id: 'manual', name: 'The manual', date: '2026-12-01' } as const;

/** @param keys of the application, all of them */
export async function manual(pictures: ReadPictures, typesetter: Typesetter, keys: readonly Key[]): Promise<Document> {
  const started = begun(MANUAL_HOUSE, {
    publication: 'Restless Kite',
    number: '1',
    season: 'The manual',
    date: MANUAL.date,
    pages: CHAPTERS.length + 3,
  });
  const pages = new Pages(started, typesetter, pictures, FOLDER);
  const { edit } = pages;
  edit.take(
    setDetails(edit.document, {
      strapline: 'The manual',
      publisher: 'Made on its own desk',
      address: 'Set and drawn by the application that it tells of',
      contact: 'docs/manual',
      staff: 'Text: Maud Tarrant. Pictures: the demo',
    }),
  );
  await front(pages);
  for (const [i, [file, picture, own]] of CHAPTERS.entries()) await chapter(pages, typesetter, i + 2, file, picture, own);
  listPage(
    pages,
    CHAPTERS.length + 2,
    'Shortcuts',
    keys.map(([own, what]) => [['imprint', `${own}  ${what}`]]),
  );
  listPage(
    pages,
    CHAPTERS.length + 3,
    'What the fields mean',
    Object.entries(HELP).map(([name, { means }]) => [
      ['imprintHead', name],
      ['imprint', means],
    ]),
  );
  return edit.document;
}

async function front(pages: Pages): Promise<void> {
  const { edit } = pages;
  await pages.story('what-this-is', 'what-this-is', 'Manual', 'passed', MANUAL.date);
  pages.fill('what-this-is', 1, 'Leader');
  pages.fillPicture('cover.jpg', 1);
  pages.hang('front.jpg', 1, pages.box(1, [2, 4], [FRONT_FROM, linesOf(pages, 1)]), { focus: { x: 0.3, y: 0.4 } });
  // What the design calls a letter is a book here.
  for (const text of all(edit.document, 'text'))
    if (bodyText(text.body).includes('In this letter'))
      edit.put({
        ...text,
        body: mapParagraphs(text.body, (node) =>
          plainText(node) === 'In this letter' ? paragraphOf(node.attrs as ParagraphAttrs, [textOf('Chapters')]) : node,
        ),
      });
}

async function chapter(
  pages: Pages,
  typesetter: Typesetter,
  number: number,
  file: string,
  picture: string,
  keys: readonly Key[],
): Promise<void> {
  const { edit } = pages;
  await pages.story(file, file, 'Manual', 'passed', MANUAL.date);
  const page = pages.page(number).page.id;
  const top = pages.opening(file, number, 1, { headline: [1, 4], rest: [2, 4] });
  const last = linesOf(pages, number);
  // The picture takes what the words leave.
  const body = pages.run(file, number, [2, 4], [top + MOST_DEEP + 2, last], 1);
  const over = typesetter.compose(partOf(edit.document, [page])).fits.get(get(edit.document, 'story', file).parts.body);
  const deep = Math.max(LEAST_DEEP, MOST_DEEP - (over?.oversetLines ?? 0));
  edit.put({ ...body, box: pages.box(number, [2, 4], [top + deep + 2, last]) });
  const room = pages.box(number, [1, 4], [top, top + deep - 1]);
  const at = { ...room, h: Math.min(room.h, room.w / SHAPE) };
  const shown = edit.put<FrameRecord>({
    ...pages.hang(picture, number, at, { fit: 'fill', focus: { x: 0.5, y: 0 } }),
    border: { swatch: 'ink', tint: 0.3, weight: 0.5 },
  });
  pages.captioned(shown, number, { ...at, y: at.y + at.h + 5, h: 12 });
  pages.words(number, pages.box(number, [1, 1], [top + deep + 2, top + deep + 2]), [
    ['crosshead', 'Keys'],
    ...keys.flatMap(([own, what]) => [['imprintHead', own] as const, ['imprint', what] as const]),
  ]);
}

/** Whole lines in the type area of a page. */
function linesOf(pages: Pages, number: number): number {
  const { master, side } = pages.page(number);
  return pageGrid(formatOf(pages.edit.document), master, side).lines;
}

/** A page of many short things under one head, in two columns. */
function listPage(
  pages: Pages,
  number: number,
  head: string,
  things: readonly (readonly (readonly [style: string, words: string])[])[],
): void {
  pages.words(number, pages.box(number, [1, 4], [1, 3]), [['headline', head]]);
  pages.words(number, pages.box(number, [1, 4], [4, linesOf(pages, number)]), things.flat(), {
    columns: 2,
    gutter: 20,
    balanced: true,
    grows: false,
  });
}
