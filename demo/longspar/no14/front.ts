import { mm } from '@/core/length/length';
import { fieldOf, paragraphOf, plainParagraphs } from '@/core/records/body';
import { formatOf } from '@/core/page/pages';
import { CLOSE, KEPT, type Pages } from '../../pages';
import { entry } from '../number';

/** The cover, the contents, and what stands before the features: pages 1 to 5. */

export function cover(pages: Pages): void {
  const { width } = formatOf(pages.edit.document);
  pages.hang('cover-easterly.jpg', 1, pages.sheet(1));
  pages.words(1, { x: 0, y: mm(15), w: width, h: 100 }, [['nameplate', 'Longspar']]);
  pages.words(1, { x: 0, y: mm(9.5), w: width, h: 12 }, [
    ['nameplateLine', 'KITE CRAFT, FOUR TIMES A YEAR \u2003 No. 14 \u2003 WINTER \u2003 £7.50'],
  ]);
  // The sea is deepened where words stand on it.
  const foot = pages.sheet(1);
  pages.shade(1, { ...foot, y: mm(140), h: foot.h + foot.y - mm(140) }, 'deep', 0.8);
  pages.words(1, { x: mm(14), y: mm(168), w: mm(66), h: 80 }, [
    ['coverLine', 'The women who sewed the wind'],
    ['coverNote', 'Eleven chairs, one window, and four thousand sails that were not sails'],
  ]);
  pages.words(1, { x: mm(142), y: mm(186), w: mm(58), h: 80 }, [
    ['coverLine', 'Over the bar'],
    ['coverNote', 'Three people, two doors and a bag of air go to Marram'],
  ]);
  pages.wholePage('Marram & Sons, sailcloth', 'marram-page.svg', 2);
}

/** An entry in a line: for departments. */
const short = (story: string, title: string) =>
  paragraphOf({ style: 'contentsLine' }, [
    fieldOf({ name: 'folio', of: story }),
    ...plainParagraphs('contentsLine', `\t${title}`)[0]!.content.content,
  ]);

export function front(pages: Pages): void {
  pages.words(3, pages.box(3, [1, 6], [1, 5]), [['contentsTitle', 'In this number']]);
  pages.blocks(
    3,
    pages.box(3, [1, 2], [7, 34]),
    [
      ...entry('the-spar-remembers', 'The spar remembers', 'Marek Tolliver in a workshop that the sea is slowly taking back.'),
      ...entry(
        'what-the-gust-meter-heard',
        'What the gust meter heard',
        'Ninety years of wind, and the first person to read them.',
      ),
      ...entry('a-field-guide-to-fallen-kites', 'A field guide to fallen kites', 'They come down somewhere.'),
      ...entry('linen-silk-paper-nylon', 'Linen, silk, paper, nylon', 'Four sails of one pattern, for a month of mornings.'),
    ],
    { grows: false },
  );
  pages.blocks(
    3,
    pages.box(3, [3, 4], [7, 34]),
    [
      ...entry('the-women-who-sewed-the-wind', 'The women who sewed the wind', 'Nell Astbury counts what the ledger left out.'),
      ...entry('nine-knots', 'Nine knots', 'And when to tie them. Wynne Carrow has the figures.'),
      ...entry('over-the-bar', 'Over the bar', 'A sail on a string, and a boat with no front.'),
      ...entry('the-line-walker', 'The line walker', 'Teodor Marsh has been wrong four times.'),
    ],
    { grows: false },
  );
  const departments = pages.box(3, [5, 6], [8, 30]);
  pages.rule(3, { ...departments, y: departments.y }, 'deep', 'kites');
  pages.blocks(
    3,
    { ...departments, y: departments.y + 14, h: departments.h - 14 },
    [
      ...entry('forty-makers-no-agreement', 'Forty makers, no agreement', 'The Circle is still sitting.'),
      ...plainParagraphs('kickerSpaced', 'DEPARTMENTS'),
      short('from-the-editor', 'A letter from the Net House'),
      short('letters-to-longspar', 'Letters'),
      short('two-hands-on-the-line', 'Two hands on the line'),
      short('read-in-the-loft', 'Read in the loft'),
      short('dates-for-a-cold-quarter', 'Dates for a cold quarter'),
      short('a-kite-for-a-day-without-wind', 'The last page'),
    ],
    { grows: false },
  );
  const foot = pages.box(3, [1, 6], [38, 52]);
  const sheet = pages.sheet(3);
  const strand = pages.hang(
    'strand.jpg',
    3,
    { ...sheet, y: foot.y, h: sheet.h + sheet.y - foot.y },
    { focus: { x: 0.5, y: 0.5 }, wrap: KEPT },
  );
  pages.captioned(strand, 3, { ...pages.box(3, [1, 6], [37, 37]), y: foot.y - 15 });
  pages.credited(strand, 3, formatOf(pages.edit.document).width - mm(9), sheet.h + sheet.y - mm(8), 'creditOutlined');

  editor(pages);
  letters(pages);
}

function editor(pages: Pages): void {
  const id = 'from-the-editor';
  pages.words(4, pages.box(4, [1, 6], [1, 1]), [['kicker', 'FROM THE EDITOR']]);
  const line = pages.opening(id, 4, 3, { headline: [1, 6], rest: [1, 5] });
  pages.run(id, 4, [1, 4], [line + 1, line + 20], 2, { balanced: true });
  const side = pages.box(4, [5, 6], [line + 1, line + 20]);
  const roofs = pages.hang('roofs.jpg', 4, side, { focus: { x: 0.82, y: 0.3 } });
  pages.captioned(roofs, 4, { ...side, y: side.y + side.h + 5, h: 20 });
  const strip = pages.box(4, [1, 4], [line + 23, 42]);
  const harbour = pages.hang('harbour-morning.jpg', 4, strip, { focus: { x: 0.5, y: 0.66 } });
  pages.captioned(harbour, 4, pages.box(4, [5, 6], [40, 42]));
  const imprint = pages.box(4, [1, 6], [45, 52]);
  pages.area(4, imprint, 'tint');
  const third = (i: number) => pages.box(4, [1 + 2 * i, 2 + 2 * i], [45, 52]);
  const inset = { grows: false, inset: { top: 8, right: 8, bottom: 4, left: 10 } } as const;
  pages.words(
    4,
    third(0),
    [
      ['smallStrong', 'Longspar'],
      ['small', 'Kite craft, four times a year, from the Net House, Quay Lane, Ternhaven.'],
      ['smallStrong', 'Write to us'],
      ['small', 'letters@longspar.example. Letters may be cut to fit; arguments will be left whole.'],
    ],
    inset,
  );
  pages.words(
    4,
    third(1),
    [
      ['smallStrong', 'Editor'],
      ['small', 'Hester Lowe'],
      ['smallStrong', 'Layout'],
      ['small', 'Anselm Bray'],
      ['smallStrong', 'Pictures'],
      ['small', 'Inge Sarrow, Rafe Dunmore'],
    ],
    inset,
  );
  pages.words(
    4,
    third(2),
    [
      ['smallStrong', 'On the cover'],
      ['small', 'Over the bar at the river mouth, the first morning of the easterlies. Picture by Inge Sarrow.'],
      ['smallStrong', 'Printed'],
      ['small', 'by Tarrant and Daughters, Ternhaven, on stock that takes a pencil.'],
    ],
    inset,
  );
}

function letters(pages: Pages): void {
  const id = 'letters-to-longspar';
  pages.words(5, pages.box(5, [1, 6], [1, 1]), [['kicker', 'LETTERS']]);
  const line = pages.opening(id, 5, 3, { headline: [1, 6], rest: [1, 6] });
  pages.run(id, 5, [1, 6], [line + 1, 26], 3, { balanced: true });
  const portrait = pages.box(5, [1, 3], [30, 50]);
  const thorne = pages.hang('portrait-thorne.jpg', 5, portrait, { wrap: CLOSE, focus: { x: 0.5, y: 0.4 } });
  pages.captioned(thorne, 5, pages.box(5, [1, 3], [51, 52]));
  pages.book('Quay Lane Books', 'quay-lane-books.svg', 'quarter', 5, [4, 6], [27, 52]);
}
