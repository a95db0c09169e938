import { mm } from '../../length/length';
import { type Design, palette } from './design';
import { contentsLine, field, imprint, issueLine, paragraph } from './layout';

/** Three ways to begin a magazine. Sizes and grids are common practice. */

/** Long reads in one serif, six columns, text over two of them; the cover is a picture with the name across it. */
const LONG_FORM: Design = {
  id: 'longForm',
  kind: 'magazine',
  name: 'Long form',
  says: 'For long reads: one serif, a quiet grid of six columns, text over two of them.',
  width: mm(210),
  height: mm(276),
  columns: 6,
  gutter: mm(5),
  textSpan: 2,
  size: 9.5,
  leading: 12.5,
  margins: { top: mm(20), inner: mm(14) },
  voice: { text: 'Source Serif 4', display: 'Source Serif 4', small: 'Archivo', weight: 700, scale: 3.4, tracking: -10 },
  boxes: 'framed',
  palettes: [
    ['Harbour blue', palette([0.9, 0.45, 0.1, 0.15], [0.05, 0.75, 0.85, 0], [0.1, 0.03, 0.02, 0])],
    ['Kiln', palette([0.1, 0.85, 0.9, 0.1], [0.7, 0.3, 0.4, 0.2], [0.02, 0.06, 0.1, 0])],
    ['Moss', palette([0.7, 0.25, 0.8, 0.35], [0.05, 0.45, 0.9, 0.05], [0.06, 0.01, 0.1, 0])],
  ],
  pages(page, text, plain) {
    const cover = page('cover', 'Cover', 'front', plain);
    const n = cover.columns;
    const end = cover.lines;
    cover.picture('bleed');
    cover.text([1, n, 1, 1], [issueLine('issueLine')]);
    cover.nameplate([1, n, 3, 12]);
    cover.slot('cover', 'Cover story', 'headline', [1, n - 1, end - 11, end - 5]);
    cover.slot('cover', 'Cover story', 'standfirst', [1, n - 2, end - 4, end]);
    const contents = page('contents', 'Contents', 'front', text);
    contents.head('In this issue', 5);
    contents.text([1, 4, 7, end - 12], [contentsLine('contents')], { grows: false });
    contents.picture([5, n, 7, end - 12]);
    contents.panel([1, n, end - 9, end]);
    contents.text([1, n, end - 9, end], imprint, { columns: 3, gutter: text.gutter, inset: 9 });
    const letters = page('letters', 'Letters', undefined, text);
    letters.head('Letters', 5);
    letters.slot('letters', 'Letters', 'body', [1, n, 7, Math.floor(end / 2) - 1]);
    letters.slot('letters', 'Letters', 'body', [1, n / 2, Math.floor(end / 2), end]);
    letters.advertisement([n / 2 + 1, n, Math.ceil(end / 2) + 1, end]);
    const news = page('news', 'News', undefined, text);
    news.head('News', 4);
    news.story('one', 'First item', [1, 4, 6, 30], 6);
    news.picture([5, n, 6, 18]);
    news.story('two', 'Second item', [5, n, 20, end], 9);
    news.story('three', 'Third item', [1, 4, 32, end], 6);
    const opening = page('opening', 'Opening', undefined, text);
    opening.bleeding([1, n, 1, 24], { left: true, right: true, top: true });
    opening.slot('opening', 'Feature', 'headline', [1, n - 1, 27, 32]);
    opening.slot('opening', 'Feature', 'standfirst', [1, 2, 34, 43]);
    opening.slot('opening', 'Feature', 'byline', [1, 2, 45, 46]);
    opening.slot('opening', 'Feature', 'body', [3, n, 34, end]);
    const left = page('pictures-left', 'Picture spread, left', undefined, plain);
    left.picture('bleed');
    const right = page('pictures-right', 'Picture spread, right', undefined, text);
    right.picture([1, 3, 1, 20]);
    right.picture([4, n, 1, 20]);
    right.slot('pictures', 'Picture story', 'headline', [1, n, 24, 28]);
    right.slot('pictures', 'Picture story', 'body', [1, n, 30, end]);
    const listing = page('listing', 'Listing', undefined, text);
    listing.head('Dates', 4);
    listing.slot('listing', 'Dates', 'body', [1, n, 6, end - 18]);
    listing.picture([1, 3, end - 15, end]);
    listing.advertisement([4, n, end - 15, end]);
    const back = page('back', 'Back page', 'back', plain);
    back.advertisement([1, n, 1, end]);
  },
};

/** A trade that is shown at work: condensed sans heads, sans text, boxes, steps, and colour from edge to edge. */
const WORKSHOP: Design = {
  id: 'workshop',
  kind: 'magazine',
  name: 'Workshop',
  says: 'For showing how things are made: tall sans heads, short pieces, steps and boxes on twelve columns.',
  width: mm(220),
  height: mm(285),
  columns: 12,
  gutter: mm(4),
  textSpan: 3,
  size: 8.8,
  leading: 12,
  margins: { top: mm(16), inner: mm(12), outer: mm(12) },
  voice: { text: 'Work Sans', display: 'Barlow Condensed', small: 'Work Sans', weight: 800, scale: 4.6, tracking: -5 },
  boxes: 'tint',
  palettes: [
    ['Signal', palette([0.02, 0.88, 0.9, 0.1], [0.85, 0.5, 0.15, 0.2], [0, 0.05, 0.14, 0.02])],
    ['Spruce', palette([0.88, 0.35, 0.65, 0.3], [0.02, 0.45, 0.95, 0.02], [0.1, 0.02, 0.08, 0])],
    ['Ink and brass', palette([0.95, 0.75, 0.3, 0.25], [0.1, 0.35, 0.9, 0.1], [0.04, 0.04, 0.1, 0])],
  ],
  styles: {
    headline: { letterCase: 'upper', leading: 4.2 * 8.8 },
    standfirst: { italic: false, weight: 500, size: 13, leading: 17 },
    crosshead: { letterCase: 'upper', tracking: 30, swatch: 'accent1' },
    nameplate: { letterCase: 'upper', tracking: 0, swatch: 'paper', weight: 900 },
    body: { align: 'left', firstIndent: 0, spaceBefore: 6, hyphens: false },
    pullQuote: { italic: false, weight: 700, size: 22, leading: 23 },
  },
  pages(page, text, plain) {
    const cover = page('cover', 'Cover', 'front', plain);
    const n = cover.columns;
    const end = cover.lines;
    cover.panel([1, n, 1, 11], 'accent1');
    cover.nameplate([1, n, 2, 10]);
    cover.bleeding([1, n, 12, end], { left: true, right: true, bottom: true });
    cover.text([1, n, 11, 11], [issueLine('issueLine')]);
    cover.slot('cover', 'Cover story', 'headline', [1, 8, end - 15, end - 5]);
    cover.slot('cover', 'Cover story', 'standfirst', [1, 8, end - 4, end]);
    const contents = page('contents', 'Contents', 'front', text);
    contents.panel([1, 4, 1, end]);
    contents.text([1, 4, 2, 6], [paragraph('kicker', 'Inside')], { inset: 8 });
    contents.text([1, 4, 5, end - 16], [contentsLine('contents')], { grows: false, inset: 8 });
    contents.text([1, 4, end - 14, end], imprint, { grows: false, inset: 8 });
    contents.picture([5, n, 1, 30]);
    contents.slot('lead', 'Leader', 'headline', [5, n, 33, 39]);
    contents.slot('lead', 'Leader', 'body', [5, n, 41, end]);
    const letters = page('letters', 'Letters', undefined, text);
    letters.panel([1, n, 1, 7], 'tint');
    letters.text([1, n, 2, 6], [paragraph('headline', 'Post')], { inset: 8 });
    letters.slot('letters', 'Letters', 'body', [1, 9, 9, end]);
    letters.picture([10, n, 9, 24]);
    letters.advertisement([10, n, 27, end]);
    const news = page('news', 'News', undefined, text);
    news.head('News', 6);
    news.bleeding([1, 6, 9, 24], { left: true });
    news.slot('one', 'First item', 'headline', [7, n, 9, 15]);
    news.slot('one', 'First item', 'body', [7, n, 17, 26]);
    ([1, 7] as const).forEach((column, i) => {
      news.rule([column, column + 5, 28]);
      news.slot(`item-${i}`, `Item ${i + 2}`, 'headline', [column, column + 5, 29, 35]);
      news.slot(`item-${i}`, `Item ${i + 2}`, 'body', [column, column + 5, 37, end]);
    });
    const opening = page('opening', 'How it is done', undefined, text);
    opening.kicker([1, n, 1, 1], 'How it is done');
    opening.slot('opening', 'How it is done', 'headline', [1, n, 2, 12]);
    opening.slot('opening', 'How it is done', 'standfirst', [1, 6, 14, 20]);
    ([1, 5, 9] as const).forEach((column) => opening.picture([column, column + 3, 22, 34]));
    opening.slot('opening', 'How it is done', 'body', [1, n, 37, end]);
    const left = page('pictures-left', 'Picture spread, left', undefined, plain);
    left.bleeding([1, n, 1, 34], { left: true, right: true, top: true });
    left.picture([1, 6, 37, end]);
    left.picture([7, n, 37, end]);
    const right = page('pictures-right', 'Picture spread, right', undefined, text);
    right.panel([1, 5, 1, end], 'tint');
    right.slot('pictures', 'Picture story', 'headline', [1, 5, 3, 14]);
    right.slot('pictures', 'Picture story', 'body', [1, 5, 16, end - 2]);
    right.bleeding([6, n, 1, end], { right: true, top: true, bottom: true });
    const listing = page('listing', 'Tools and dates', undefined, text);
    listing.head('Tools and dates', 6);
    listing.slot('tools', 'Tools', 'body', [1, 6, 8, end]);
    listing.panel([7, n, 8, 36]);
    listing.slot('dates', 'Dates', 'body', [7, n, 9, 35]);
    listing.advertisement([7, n, 39, end]);
    const back = page('back', 'Back page', 'back', plain);
    back.slot('back', 'Last word', 'headline', [1, n, 2, 12]);
    back.slot('back', 'Last word', 'body', [1, 6, 14, 36]);
    back.picture([7, n, 14, 36]);
    back.advertisement([1, n, 39, end]);
  },
};

/** Pictures first: much white, a light display serif, one wide measure of text with notes beside it. */
const GALLERY: Design = {
  id: 'gallery',
  kind: 'magazine',
  name: 'Gallery',
  says: 'For pictures: wide margins, light display letters, one measure of text and white around it.',
  width: mm(230),
  height: mm(300),
  columns: 8,
  gutter: mm(5),
  textSpan: 4,
  size: 10.2,
  leading: 14.5,
  margins: { top: mm(26), inner: mm(20), outer: mm(22) },
  voice: { text: 'Newsreader', display: 'Fraunces', small: 'Work Sans', weight: 400, scale: 4, tracking: -12 },
  boxes: 'ruled',
  palettes: [
    ['Slate', palette([0.7, 0.45, 0.35, 0.35], [0.1, 0.5, 0.6, 0.1], [0.03, 0.02, 0.04, 0.02])],
    ['Madder', palette([0.2, 0.9, 0.6, 0.25], [0.5, 0.3, 0.4, 0.2], [0, 0.04, 0.05, 0.02])],
    ['Lichen', palette([0.6, 0.35, 0.75, 0.35], [0.25, 0.2, 0.6, 0.05], [0.05, 0.02, 0.1, 0])],
  ],
  styles: {
    headline: { leading: 4.2 * 10.2, weight: 400 },
    standfirst: { weight: 300, size: 15, leading: 21 },
    nameplate: { align: 'centre', weight: 300, swatch: 'ink', tracking: -20 },
    issueLine: { align: 'centre', weight: 400, tracking: 60 },
    caption: { size: 7.6, leading: 10.5 },
    crosshead: { weight: 500 },
  },
  pages(page, text, plain) {
    const cover = page('cover', 'Cover', 'front', plain);
    const n = cover.columns;
    const end = cover.lines;
    cover.nameplate([1, n, 1, 6]);
    cover.text([1, n, 8, 8], [issueLine('issueLine')]);
    cover.picture([1, n, 10, end - 7]);
    cover.slot('cover', 'Cover story', 'headline', [1, n, end - 5, end - 2]);
    cover.slot('cover', 'Cover story', 'standfirst', [1, n, end - 1, end]);
    const contents = page('contents', 'Contents', 'front', text);
    contents.text([1, 3, 1, 4], [paragraph('headline', 'Contents')]);
    contents.text([4, n, 9, end - 10], [contentsLine('contents')], { grows: false });
    contents.picture([1, 3, 9, 22]);
    contents.rule([4, n, end - 8]);
    contents.text([4, n, end - 7, end], imprint, { grows: false });
    const letters = page('letters', 'Letters', undefined, text);
    letters.text([1, n, 1, 4], [paragraph('headline', 'Letters')]);
    letters.slot('letters', 'Letters', 'body', [1, n, 9, end - 12]);
    letters.rule([1, n, end - 9]);
    letters.text([1, n, end - 8, end], [paragraph('kicker', 'Write to us'), paragraph('imprint', field('contact'))]);
    const news = page('news', 'News', undefined, text);
    news.kicker([1, n, 1, 1], 'Seen');
    news.story('one', 'First item', [1, 4, 3, 24], 6);
    news.picture([5, n, 3, 24]);
    news.picture([1, 4, 27, end]);
    news.story('two', 'Second item', [5, n, 27, end], 6);
    const opening = page('opening', 'Opening', undefined, text);
    opening.slot('opening', 'Feature', 'headline', [1, n, 1, 7]);
    opening.slot('opening', 'Feature', 'standfirst', [3, n, 10, 15]);
    opening.slot('opening', 'Feature', 'byline', [3, n, 17, 18]);
    opening.slot('opening', 'Feature', 'body', [3, 6, 20, end]);
    opening.picture([7, n, 20, 32]);
    const left = page('pictures-left', 'Picture spread, left', undefined, plain);
    left.picture([1, n, 1, end - 6]);
    const right = page('pictures-right', 'Picture spread, right', undefined, plain);
    right.picture([3, n, 1, 22]);
    right.slot('pictures', 'Picture story', 'headline', [3, n, 25, 30]);
    right.slot('pictures', 'Picture story', 'body', [3, n, 32, end]);
    const listing = page('listing', 'Exhibitions', undefined, text);
    listing.text([1, n, 1, 4], [paragraph('headline', 'Where to look')]);
    listing.rule([1, n, 7]);
    listing.slot('listing', 'Exhibitions', 'body', [1, n, 9, end]);
    const back = page('back', 'Back page', 'back', plain);
    back.picture([3, 6, 8, 26]);
    back.slot('back', 'Last picture', 'body', [3, 6, 29, end - 6]);
  },
};

export const MAGAZINES: readonly Design[] = [LONG_FORM, WORKSHOP, GALLERY];
