import { mm } from '@/core/length/length';
import { formatOf } from '@/core/page/pages';
import { KEPT, OUTLINED, type Pages } from '../../pages';

/** The end of the number: pages 30 to 36. */
export function tail(pages: Pages): void {
  makers(pages);
  books(pages);
  dates(pages);
  lastPage(pages);
}

function makers(pages: Pages): void {
  const id = 'forty-makers-no-agreement';
  pages.words(30, pages.box(30, [1, 6], [1, 1]), [['kicker', 'THE CIRCLE']]);
  const line = pages.opening(id, 30, 3, { headline: [1, 6], style: 'headlineFeature', rest: [1, 5] });
  pages.run(id, 30, [1, 6], [line + 1, 52], 3);
  const left = pages.box(30, [1, 2], [37, 50]);
  const right = pages.box(30, [5, 6], [37, 50]);
  const udall = pages.hang('portrait-udall.jpg', 30, left, { wrap: KEPT, focus: { x: 0.5, y: 0.35 } });
  pages.captioned(udall, 30, { ...left, y: left.y + left.h + 4, h: 12 });
  const reyes = pages.hang('portrait-reyes.jpg', 30, right, { wrap: KEPT, focus: { x: 0.45, y: 0.35 } });
  pages.captioned(reyes, 30, { ...right, y: right.y + right.h + 4, h: 12 });
  const fly = pages.box(31, [1, 6], [1, 24]);
  const picture = pages.hang(
    'equinox-fly.jpg',
    31,
    { ...pages.sheet(31), h: fly.y + fly.h + mm(3) },
    { wrap: KEPT, focus: { x: 0.5, y: 0.5 } },
  );
  pages.captioned(picture, 31, { ...pages.box(31, [1, 4], [25, 25]), y: fly.y + fly.h + 6 });
  pages.credited(picture, 31, formatOf(pages.edit.document).width - mm(9), fly.y + fly.h - 6);
  pages.run(id, 31, [1, 6], [27, 38], 3, { balanced: true });
  const box = pages.box(31, [1, 6], [40, 52]);
  pages.area(31, box, 'tint', 1, KEPT);
  pages.words(
    31,
    pages.box(31, [1, 2], [40, 52]),
    [
      ['kicker', 'ELEVEN KITES, THREE TAILS'],
      [
        'contentsNote',
        'Minutes in the air, in gusts, before the blindfolded flyer said that it had begun to wander. The table has been asked for its opinion.',
      ],
    ],
    { grows: false, inset: 11 },
  );
  pages.chart(
    31,
    { ...pages.box(31, [3, 6], [41, 51]), w: pages.box(31, [3, 6], [1, 1]).w - 11 },
    {
      form: 'bars',
      rows: [
        { label: 'The whole tail', value: 14 },
        { label: 'Half of it', value: 19 },
        { label: 'None', value: 3 },
      ],
    },
  );
}

function books(pages: Pages): void {
  const id = 'read-in-the-loft';
  pages.words(32, pages.box(32, [1, 6], [1, 1]), [['kicker', 'BOOKS']]);
  const line = pages.opening(id, 32, 3, { headline: [1, 6], style: 'headlineFeature', rest: [1, 5] });
  const pile = pages.box(32, [1, 6], [line + 1, 37]);
  const frame = pages.hang('books.jpg', 32, pile, { focus: { x: 0.5, y: 0.7 } });
  pages.captioned(frame, 32, { ...pile, y: pile.y + pile.h + 5, h: 12 });
  pages.run(id, 32, [1, 6], [40, 52], 3, { balanced: true });
}

function dates(pages: Pages): void {
  const id = 'dates-for-a-cold-quarter';
  pages.words(33, pages.box(33, [1, 6], [1, 1]), [['kicker', 'DATES']]);
  const line = pages.opening(id, 33, 3, { headline: [1, 3], rest: [1, 3] });
  pages.run(id, 33, [1, 3], [line + 1, line + 26], 1);
  const fish = pages.box(33, [1, 3], [39, 50]);
  const gurnard = pages.hang('fish-kite.png', 33, fish, { wrap: OUTLINED, fit: 'fit' });
  pages.captioned(gurnard, 33, pages.box(33, [1, 3], [52, 52]));
  pages.book('Sarrow, photographer', 'sarrow-photographer.svg', 'halfUpright', 33, [4, 6], [1, 52]);
}

function lastPage(pages: Pages): void {
  const id = 'a-kite-for-a-day-without-wind';
  const { height } = formatOf(pages.edit.document);
  const calm = pages.hang('no-wind.jpg', 34, pages.sheet(34), { focus: { x: 0.5, y: 0.6 } });
  pages.credited(calm, 34, mm(5.5), height - mm(6));
  pages.words(35, pages.box(35, [1, 6], [1, 1]), [['kicker', 'THE LAST PAGE']]);
  pages.part(id, 'headline', 35, pages.box(35, [1, 5], [20, 27]), 'headlineFeature');
  pages.part(id, 'byline', 35, pages.box(35, [1, 4], [30, 30]));
  pages.run(id, 35, [1, 4], [32, 52], 2, { balanced: true });
  pages.wholePage('The Net House Press', 'net-house-press.svg', 36);
}
