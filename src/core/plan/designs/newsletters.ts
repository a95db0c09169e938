import { mm } from '../../length/length';
import { type Design, palette } from './design';
import { BETWEEN_RULES, contentsLine, field, imprint, paragraph } from './layout';

/** Three ways to begin a newsletter. Sizes and grids are common practice. */

/** Three columns, the name across the page, what is inside in a panel beside the lead. */
const NOTICEBOARD: Design = {
  id: 'noticeboard',
  kind: 'newsletter',
  name: 'Noticeboard',
  says: 'For a society: three columns, a name across the page, what is inside beside the lead.',
  width: mm(210),
  height: mm(297),
  columns: 3,
  gutter: mm(6),
  textSpan: 1,
  size: 10,
  leading: 13,
  margins: { top: mm(20), inner: mm(14) },
  voice: { text: 'Source Serif 4', display: 'Source Serif 4', small: 'Archivo', weight: 700, scale: 3.4, tracking: -10 },
  boxes: 'framed',
  palettes: [
    ['Slate and rust', palette([0.75, 0.35, 0.25, 0.35], [0.1, 0.7, 0.85, 0.1], [0.08, 0.03, 0.03, 0.02])],
    ['Bottle green', palette([0.85, 0.3, 0.7, 0.35], [0.05, 0.35, 0.9, 0.05], [0.08, 0, 0.1, 0])],
    ['Heather', palette([0.5, 0.7, 0.15, 0.25], [0.6, 0.15, 0.35, 0.1], [0.03, 0.07, 0.01, 0])],
  ],
  styles: { nameplate: { family: 'Archivo', weight: 800, tracking: -20, swatch: 'ink' } },
  pages(page, text, plain) {
    const front = page('front', 'Front page', 'front', plain);
    const n = front.columns;
    const end = front.lines;
    front.nameplate([1, n, 1, 6]);
    front.rule([1, n, 8]);
    front.text(
      [1, n, 8, 9],
      [paragraph('issueLine', 'No. ', field('number'), ', ', field('season'), '   ', field('strapline'))],
      BETWEEN_RULES,
    );
    front.rule([1, n, 10]);
    front.slot('lead', 'Lead story', 'headline', [1, n - 1, 11, 16]);
    front.slot('lead', 'Lead story', 'standfirst', [1, n - 1, 17, 19]);
    front.slot('lead', 'Lead story', 'body', [1, n - 1, 21, end - 16]);
    front.picture([1, n - 1, end - 14, end]);
    front.panel([n, n, 11, end]);
    front.text([n, n, 11, end], [paragraph('crosshead', 'Inside'), contentsLine('contents')], { grows: false, inset: 8 });
    const notices = page('notices', 'Notices', undefined, text);
    notices.head('Notices', 4);
    notices.slot('notices', 'Notices', 'body', [1, n, 6, end]);
    const letters = page('letters', 'Letters', undefined, text);
    letters.head('Letters', 4);
    letters.slot('letters', 'Letters', 'body', [1, n - 1, 6, end]);
    letters.advertisement([n, n, 6, Math.floor(end / 2)]);
    const opening = page('opening', 'Article', undefined, text);
    opening.story('opening', 'Article', [1, n, 1, 26], 5);
    opening.picture([1, n, 29, end]);
    const news = page('news', 'News', undefined, text);
    news.story('one', 'First item', [1, n, 1, 26], 5);
    news.rule([1, n, 28]);
    news.picture([1, 1, 29, 42]);
    news.story('two', 'Second item', [2, n, 29, end], 6);
    const pictures = page('pictures', 'Pictures', undefined, text);
    pictures.picture([1, n, 1, 24]);
    pictures.picture([1, 2, 28, end]);
    pictures.slot('pictures', 'Picture story', 'body', [n, n, 28, end]);
    const back = page('back', 'Back page', 'back', plain);
    back.head('Dates', 4);
    back.slot('dates', 'Dates', 'body', [1, n - 1, 6, end - 14]);
    back.picture([n, n, 6, end - 14]);
    back.panel([1, n, end - 11, end]);
    back.text([1, n, end - 11, end], imprint, { columns: 2, gutter: text.gutter, inset: 10 });
  },
};

/** A letter: one wide measure in a slab serif, notes in a narrow column beside it. */
const CORRESPONDENT: Design = {
  id: 'correspondent',
  kind: 'newsletter',
  name: 'Correspondent',
  says: 'For one voice: a single wide measure in a slab serif, with notes in the margin.',
  width: mm(210),
  height: mm(297),
  columns: 4,
  gutter: mm(7),
  textSpan: 3,
  size: 10.4,
  leading: 15,
  margins: { top: mm(24), inner: mm(20), outer: mm(18) },
  voice: { text: 'Bitter', display: 'Bitter', small: 'Work Sans', weight: 600, scale: 2.9, tracking: -8 },
  boxes: 'ruled',
  palettes: [
    ['Oxblood', palette([0.25, 0.95, 0.75, 0.3], [0.6, 0.35, 0.3, 0.2], [0.01, 0.04, 0.06, 0.01])],
    ['Deep water', palette([0.95, 0.55, 0.3, 0.3], [0.05, 0.5, 0.85, 0.03], [0.07, 0.02, 0.02, 0.01])],
    ['Hedge', palette([0.75, 0.35, 0.85, 0.4], [0.1, 0.5, 0.8, 0.05], [0.04, 0.01, 0.08, 0.01])],
  ],
  styles: {
    body: { firstIndent: 15 },
    nameplate: { align: 'left', weight: 700 },
    issueLine: { align: 'left', weight: 400 },
    standfirst: { italic: false, weight: 300 },
  },
  pages(page, text, plain) {
    const front = page('front', 'Front page', 'front', plain);
    const n = front.columns;
    const end = front.lines;
    front.text([1, n, 1, 1], [paragraph('issueLine', 'No. ', field('number'), ', ', field('season'))]);
    front.nameplate([1, n, 3, 6]);
    front.text([1, n, 8, 8], [paragraph('issueLine', field('strapline'))]);
    front.rule([1, n, 9]);
    front.slot('lead', 'Leader', 'headline', [2, n, 10, 14]);
    front.slot('lead', 'Leader', 'body', [2, n, 16, end]);
    front.picture([1, 1, 10, 18]);
    front.text([1, 1, 21, end - 12], [paragraph('crosshead', 'In this letter'), contentsLine('contentsSmall')], { grows: false });
    front.text([1, 1, end - 10, end], imprint, { grows: false });
    const opening = page('opening', 'Article', undefined, text);
    opening.slot('opening', 'Article', 'headline', [2, n, 1, 5]);
    opening.slot('opening', 'Article', 'standfirst', [2, n, 6, 9]);
    opening.slot('opening', 'Article', 'body', [2, n, 11, end]);
    opening.picture([1, 1, 11, 22]);
    const letters = page('letters', 'Letters', undefined, text);
    letters.head('In reply', 4, 2);
    letters.slot('letters', 'Letters', 'body', [2, n, 6, end]);
    const news = page('news', 'Notes', undefined, text);
    news.head('In passing', 4, 2);
    news.slot('notes', 'Notes', 'body', [2, n, 6, 26]);
    news.picture([2, n, 29, end]);
    const pictures = page('pictures', 'Pictures', undefined, plain);
    pictures.picture([1, n, 1, 30]);
    pictures.slot('pictures', 'Picture story', 'body', [2, n, 33, end]);
    const notices = page('notices', 'Dates', undefined, text);
    notices.head('Dates', 4, 2);
    notices.slot('dates', 'Dates', 'body', [2, n, 6, end]);
    const back = page('back', 'Back page', 'back', plain);
    back.slot('back', 'Postscript', 'headline', [2, n, 1, 4]);
    back.slot('back', 'Postscript', 'body', [2, n, 6, 24]);
    back.rule([1, n, end - 14]);
    back.advertisement([2, n, end - 12, end]);
  },
};

/** Many short things: four columns of sans, a coloured head to each, a front page that is a board of items. */
const DIGEST: Design = {
  id: 'digest',
  kind: 'newsletter',
  name: 'Digest',
  says: 'For many short items: four sans columns, coloured heads, a front page full of them.',
  width: mm(210),
  height: mm(297),
  columns: 4,
  gutter: mm(5),
  textSpan: 1,
  size: 8.6,
  leading: 11.5,
  margins: { top: mm(16), inner: mm(13), outer: mm(13) },
  voice: { text: 'Work Sans', display: 'Work Sans', small: 'Work Sans', weight: 700, scale: 2, tracking: -15 },
  boxes: 'tint',
  palettes: [
    ['Petrol', palette([0.9, 0.4, 0.35, 0.3], [0.02, 0.55, 0.85, 0], [0.1, 0.02, 0.04, 0])],
    ['Plum', palette([0.5, 0.85, 0.25, 0.3], [0.05, 0.4, 0.75, 0], [0.04, 0.06, 0.01, 0])],
    ['Brick', palette([0.12, 0.85, 0.85, 0.2], [0.65, 0.35, 0.3, 0.15], [0.01, 0.04, 0.06, 0])],
  ],
  styles: {
    body: { align: 'left', hyphens: false, firstIndent: 0, spaceBefore: 4 },
    headline: { swatch: 'accent1' },
    standfirst: { italic: false, weight: 500 },
    nameplate: { swatch: 'accent1', align: 'left' },
    issueLine: { align: 'left' },
    pullQuote: { italic: false, weight: 600 },
  },
  pages(page, text, plain) {
    const front = page('front', 'Front page', 'front', plain);
    const n = front.columns;
    const end = front.lines;
    front.panel([1, n, 1, 9]);
    front.nameplate([1, n, 2, 6]);
    front.text(
      [1, n, 8, 8],
      [paragraph('issueLine', 'No. ', field('number'), ', ', field('season'), '   ', field('strapline'))],
      {
        inset: { top: 0, right: 0, bottom: 0, left: 8 },
      },
    );
    front.picture([1, 2, 12, 28]);
    front.slot('lead', 'Lead story', 'headline', [3, n, 12, 17]);
    front.slot('lead', 'Lead story', 'body', [3, n, 19, 38]);
    front.text([1, 2, 31, 38], [paragraph('crosshead', 'Inside'), contentsLine('contentsSmall')], { grows: false });
    ([1, 2, 3, 4] as const).forEach((column) => {
      front.rule([column, column, 41]);
      front.slot(`item-${column}`, `Item ${column}`, 'headline', [column, column, 42, 47]);
      front.slot(`item-${column}`, `Item ${column}`, 'body', [column, column, 49, end]);
    });
    const news = page('news', 'News', undefined, text);
    news.story('one', 'First item', [1, 2, 1, 30], 5);
    news.story('two', 'Second item', [3, n, 1, 30], 5);
    news.rule([1, n, 32]);
    news.picture([1, 2, 34, 48]);
    news.story('three', 'Third item', [3, n, 34, end], 5);
    news.slot('four', 'Fourth item', 'body', [1, 2, 51, end]);
    const notices = page('notices', 'Notices', undefined, text);
    notices.panel([1, n, 1, 5]);
    notices.text([1, n, 1, 5], [paragraph('headline', 'Notices')], { inset: 8 });
    notices.slot('notices', 'Notices', 'body', [1, n, 7, end]);
    const letters = page('letters', 'Letters', undefined, text);
    letters.panel([1, n, 1, 5]);
    letters.text([1, n, 1, 5], [paragraph('headline', 'Letters')], { inset: 8 });
    letters.slot('letters', 'Letters', 'body', [1, 3, 7, end]);
    letters.advertisement([n, n, 7, 36]);
    const opening = page('opening', 'Article', undefined, text);
    opening.bleeding([1, n, 1, 20], { left: true, right: true, top: true });
    opening.story('opening', 'Article', [1, n, 23, end], 6);
    const pictures = page('pictures', 'Pictures', undefined, text);
    ([1, 3] as const).forEach((column) => {
      pictures.picture([column, column + 1, 1, 18]);
      pictures.picture([column, column + 1, 23, 40]);
    });
    pictures.slot('pictures', 'Picture story', 'body', [1, n, 45, end]);
    const back = page('back', 'Back page', 'back', plain);
    back.panel([1, 2, 1, end - 16]);
    back.text([1, 2, 2, 6], [paragraph('headline', 'Dates')], { inset: 8 });
    back.slot('dates', 'Dates', 'body', [1, 2, 8, end - 17]);
    back.slot('last', 'Last item', 'headline', [3, n, 1, 6]);
    back.slot('last', 'Last item', 'body', [3, n, 8, end - 17]);
    back.text([1, n, end - 13, end], imprint, { columns: 3, gutter: text.gutter });
  },
};

export const NEWSLETTERS: readonly Design[] = [NOTICEBOARD, CORRESPONDENT, DIGEST];
