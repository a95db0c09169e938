import { join } from 'node:path';
import { setStory } from '@/core/actions/stories';
import type { Typesetter } from '@/core/actions/typesetter';
import { mm } from '@/core/length/length';
import { formatOf } from '@/core/page/pages';
import { get, type Document } from '@/core/records/document';
import { OUTLINED, Pages, type ReadPictures } from '../../pages';
import { entry, numberOf } from '../number';

/** Longspar No. 13, Autumn: a thin number of twelve pages, finished and out; the one that No. 14 goes on from. */

const FOLDER = join(process.cwd(), 'demo', 'longspar', 'stories13');
const PAGES = 12;
const PLAIN = new Set([1, 2, 6, 12]);

const STORIES: readonly (readonly [id: string, section: string, target: number])[] = [
  ['a-word-before-the-equinox', 'Department', 170],
  ['a-kite-of-brown-paper', 'Bench', 170],
  ['a-box-kite-has-no-up', 'Feature', 450],
  ['a-glue-that-holds', 'Bench', 220],
  ['a-knot-should-never-be-felt', 'Feature', 200],
];

export async function issue13(pictures: ReadPictures, typesetter: Typesetter): Promise<Document> {
  const start = numberOf({ number: '13', season: 'Autumn', date: '2026-09-04' }, PAGES, PLAIN);
  const pages = new Pages(start, typesetter, pictures, FOLDER);
  const { edit } = pages;
  for (const [id, section, target] of STORIES) {
    await pages.story(id, id, section, 'passed', '2026-08-21');
    edit.take(setStory(edit.document, id, { target }));
    const { body } = get(edit.document, 'story', id).parts;
    if (id === 'a-kite-of-brown-paper') pages.ragged(body);
    else pages.restyle(body, 'bodyOpening', (_, i) => i === 0);
  }
  cover(pages);
  contents(pages);
  departments(pages);
  boxKite(pages);
  bench(pages);
  pages.wholePage('Tarrant and Daughters, printers', 'tarrant-printers.pdf', 12);
  return edit.document;
}

function cover(pages: Pages): void {
  const { width } = formatOf(pages.edit.document);
  pages.hang('equinox-fly.jpg', 1, pages.sheet(1), { focus: { x: 0.32, y: 0.45 } });
  const sheet = pages.sheet(1);
  pages.shade(1, { ...sheet, h: mm(110) }, 'deep', 0.85, 'foot');
  pages.shade(1, { ...sheet, y: mm(190), h: sheet.h + sheet.y - mm(190) }, 'deep', 0.7);
  pages.words(1, { x: 0, y: mm(15), w: width, h: 100 }, [['nameplate', 'Longspar']]);
  pages.words(1, { x: 0, y: mm(9.5), w: width, h: 12 }, [
    ['nameplateLine', 'KITE CRAFT, FOUR TIMES A YEAR \u2003 No. 13 \u2003 AUTUMN \u2003 £7.50'],
  ]);
  pages.words(1, { x: mm(14), y: mm(232), w: mm(120), h: 60 }, [
    ['coverLine', 'A box kite has no up'],
    ['coverNote', 'Bram Udall has made two hundred and six of them'],
  ]);
  pages.wholePage('The Net House Press', 'net-house-press.svg', 2);
}

function contents(pages: Pages): void {
  pages.words(3, pages.box(3, [1, 6], [1, 5]), [['contentsTitle', 'In this number']]);
  pages.blocks(
    3,
    pages.box(3, [1, 3], [7, 36]),
    [
      ...entry('a-word-before-the-equinox', 'A word before the equinox', 'The hill has been measured again.'),
      ...entry('a-kite-of-brown-paper', 'A kite of brown paper', 'In five steps, two of them in doubt.'),
      ...entry('a-box-kite-has-no-up', 'A box kite has no up', 'Bram Udall on the kite that does not know.'),
      ...entry('a-glue-that-holds', 'A glue that holds', 'From the notebook behind the stove.'),
      ...entry('a-knot-should-never-be-felt', 'A knot should never be felt', 'On holding a line with the eyes shut.'),
    ],
    { grows: false },
  );
  const side = pages.box(3, [4, 6], [7, 34]);
  const school = pages.hang('hill-school.jpg', 3, side, { focus: { x: 0.7, y: 0.5 } });
  pages.captioned(school, 3, { ...side, y: side.y + side.h + 5, h: 20 });
  const foot = pages.box(3, [1, 6], [45, 52]);
  pages.area(3, foot, 'tint');
  pages.words(
    3,
    foot,
    [
      ['smallStrong', 'Longspar'],
      [
        'small',
        'Kite craft, four times a year, from the Net House, Quay Lane, Ternhaven. Editor: Hester Lowe. Layout: Anselm Bray. Pictures: Inge Sarrow, Rafe Dunmore. Printed by Tarrant and Daughters.',
      ],
    ],
    { grows: false, inset: 12 },
  );
}

function departments(pages: Pages): void {
  pages.words(4, pages.box(4, [1, 6], [1, 1]), [['kicker', 'FROM THE EDITOR']]);
  const line = pages.opening('a-word-before-the-equinox', 4, 3, { headline: [1, 6], rest: [1, 5] });
  pages.run('a-word-before-the-equinox', 4, [1, 6], [line + 1, 30], 3, { balanced: true });
  const strip = pages.box(4, [1, 6], [29, 50]);
  const market = pages.hang('market-awnings.jpg', 4, strip, { focus: { x: 0.5, y: 0.6 } });
  pages.captioned(market, 4, { ...strip, y: strip.y + strip.h + 5, h: 12 });
  pages.area(5, pages.sheet(5), 'tint');
  pages.words(5, pages.box(5, [1, 6], [1, 1]), [['kicker', 'TO MAKE']]);
  const next = pages.opening('a-kite-of-brown-paper', 5, 3, { headline: [1, 4], style: 'headlineFeature', rest: [1, 5] });
  pages.run('a-kite-of-brown-paper', 5, [1, 3], [next + 1, 52], 1);
  ([1, 2, 3, 4] as const).forEach((step, i) => {
    const column = 4 + (i % 2) * 1.5;
    const at = pages.box(5, [4, 5], [next + 1 + i * 9, next + 7 + i * 9]);
    const drawing = pages.hang(`fold-${step}.svg`, 5, { ...at, x: at.x + (column - 4) * 20 }, { fit: 'fit' });
    pages.captioned(drawing, 5, { ...at, y: at.y + at.h + 2, h: 12 }, { style: 'captionStrong' });
  });
}

function boxKite(pages: Pages): void {
  const id = 'a-box-kite-has-no-up';
  const { height } = formatOf(pages.edit.document);
  const loft = pages.hang('sail-loft.webp', 6, pages.sheet(6), { focus: { x: 0.3, y: 0.5 } });
  pages.credited(loft, 6, mm(5.5), height - mm(6));
  pages.words(7, pages.box(7, [1, 6], [1, 1]), [['kicker', 'OPINION']]);
  const line = pages.opening(id, 7, 3, { headline: [1, 5], style: 'headlineGrand', rest: [1, 5] });
  pages.run(id, 7, [1, 6], [line + 2, 52], 3, { balanced: true });
  pages.quote(id, 'I think of it as a fault that has been painted');
  const spine = pages.box(8, [1, 6], [3, 46]);
  const box = pages.hang('box-kite.png', 8, spine, { fit: 'fit', wrap: OUTLINED });
  pages.captioned(box, 8, pages.box(8, [1, 2], [48, 50]));
}

function bench(pages: Pages): void {
  pages.words(9, pages.box(9, [1, 6], [1, 1]), [['kicker', 'ON THE BENCH']]);
  const line = pages.opening('a-glue-that-holds', 9, 3, { headline: [1, 6], style: 'headlineFeature', rest: [1, 5] });
  pages.run('a-glue-that-holds', 9, [1, 6], [line + 1, 36], 3, { balanced: true });
  const foot = pages.box(9, [1, 6], [38, 38]);
  const sheet = pages.sheet(9);
  const bench = pages.hang(
    'fenn-bench.webp',
    9,
    { ...sheet, y: foot.y, h: sheet.h + sheet.y - foot.y },
    { focus: { x: 0.4, y: 0.75 } },
  );
  pages.credited(bench, 9, formatOf(pages.edit.document).width - mm(9), sheet.h + sheet.y - mm(8));
  const id = 'a-knot-should-never-be-felt';
  pages.words(10, pages.box(10, [1, 6], [1, 1]), [['kicker', 'ON THE LINE']]);
  const next = pages.opening(id, 10, 3, { headline: [1, 5], style: 'headlineFeature', rest: [1, 5] });
  pages.run(id, 10, [1, 4], [next + 1, 52], 2, { balanced: true });
  const side = pages.box(10, [5, 6], [next + 1, next + 16]);
  const carrow = pages.hang('portrait-carrow.jpg', 10, side, { focus: { x: 0.5, y: 0.35 } });
  pages.captioned(carrow, 10, { ...side, y: side.y + side.h + 5, h: 12 });
  pages.hang('strand.jpg', 11, pages.sheet(11), { focus: { x: 0.4, y: 0.5 } });
}
