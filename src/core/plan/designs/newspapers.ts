import { mm } from '../../length/length';
import { type Design, palette } from './design';
import { BETWEEN_RULES, contentsLine, field, paragraph } from './layout';

/** Three ways to begin a newspaper. Sizes and grids are common practice. */

/** Six columns of serif, the lead over four of them, what is inside at the foot. */
const WEEKLY: Design = {
  id: 'weekly',
  kind: 'newspaper',
  name: 'Weekly',
  says: 'For a town’s week: six columns of serif, a lead with a picture, what is inside at the foot.',
  width: mm(280),
  height: mm(400),
  columns: 6,
  gutter: mm(4),
  textSpan: 1,
  size: 8.8,
  leading: 10.5,
  margins: { top: mm(20), inner: mm(14) },
  voice: { text: 'Source Serif 4', display: 'Source Serif 4', small: 'Archivo', weight: 700, scale: 3.4, tracking: -10 },
  boxes: 'framed',
  palettes: [
    ['Black and vermilion', palette([0.05, 0.85, 0.85, 0.1], [0.6, 0.35, 0.2, 0.3], [0, 0, 0.02, 0.08])],
    ['Harbour', palette([0.95, 0.6, 0.1, 0.2], [0.1, 0.6, 0.75, 0.05], [0.08, 0.03, 0, 0.03])],
    ['Peat', palette([0.3, 0.6, 0.7, 0.45], [0.55, 0.25, 0.45, 0.2], [0.02, 0.04, 0.08, 0.02])],
  ],
  styles: { nameplate: { weight: 700, align: 'centre', swatch: 'ink' } },
  pages(page, text, plain) {
    const front = page('front', 'Front page', 'front', plain);
    const n = front.columns;
    const end = front.lines;
    const half = Math.floor(end / 2);
    front.nameplate([1, n, 1, 10]);
    front.rule([1, n, 11]);
    front.text(
      [1, n, 11, 12],
      [paragraph('issueLine', field('season'), '   No. ', field('number'), '   ', field('price'))],
      BETWEEN_RULES,
    );
    front.rule([1, n, 13]);
    front.slot('lead', 'Lead story', 'headline', [1, n - 2, 14, 19]);
    front.slot('lead', 'Lead story', 'standfirst', [1, n - 2, 20, 22]);
    front.picture([1, n - 2, 24, half]);
    front.slot('lead', 'Lead story', 'body', [1, n - 2, half + 2, end]);
    front.story('second', 'Second story', [n - 1, n, 14, end - 22], 10);
    front.panel([n - 1, n, end - 20, end]);
    front.text([n - 1, n, end - 20, end], [paragraph('crosshead', 'Inside'), contentsLine('contents')], {
      grows: false,
      inset: 7,
    });
    const news = page('news', 'News', undefined, text);
    news.story('one', 'First story', [1, n - 2, 1, half], 7);
    news.story('two', 'Second story', [n - 1, n, 1, half], 10);
    news.story('three', 'Third story', [1, n / 2, half + 2, end], 7);
    news.advertisement([n / 2 + 1, n, half + 2, end]);
    const letters = page('letters', 'Letters', undefined, text);
    letters.head('Letters', 5);
    letters.slot('letters', 'Letters', 'body', [1, n - 2, 7, end]);
    letters.picture([n - 1, n, 7, 30]);
    letters.advertisement([n - 1, n, 32, end]);
    const opening = page('opening', 'Feature', undefined, text);
    opening.slot('opening', 'Feature', 'headline', [1, n, 1, 6]);
    opening.slot('opening', 'Feature', 'standfirst', [1, 4, 8, 11]);
    opening.picture([1, n, 14, 52]);
    opening.slot('opening', 'Feature', 'body', [1, n, 56, end]);
    const listing = page('listing', 'Listings', undefined, text);
    listing.head('What is on', 5);
    listing.slot('listing', 'Listings', 'body', [1, 4, 7, end]);
    listing.panel([5, n, 7, 50]);
    listing.slot('tides', 'Times', 'body', [5, n, 8, 49]);
    listing.advertisement([5, n, 53, end]);
    const pictures = page('pictures', 'Pictures', undefined, text);
    pictures.picture([1, n, 1, 44]);
    pictures.picture([1, 3, 49, end - 18]);
    pictures.picture([4, n, 49, end - 18]);
    pictures.slot('pictures', 'Picture story', 'body', [1, n, end - 14, end]);
    const back = page('back', 'Back page', 'back', text);
    back.story('lead', 'Sport', [1, n - 2, 1, end - 34], 7);
    back.story('second', 'Results', [n - 1, n, 1, end - 34], 7);
    back.advertisement([1, n, end - 32, end]);
  },
};

/** A tabloid: one picture and one line that are seen across a street. */
const COMPACT: Design = {
  id: 'compact',
  kind: 'newspaper',
  name: 'Compact',
  says: 'For the street: a tabloid with one large picture, tall condensed heads and five columns.',
  width: mm(255),
  height: mm(340),
  columns: 5,
  gutter: mm(4.5),
  textSpan: 1,
  size: 8.9,
  leading: 10.8,
  margins: { top: mm(14), inner: mm(12), outer: mm(12) },
  voice: { text: 'Source Serif 4', display: 'Barlow Condensed', small: 'Barlow Condensed', weight: 800, scale: 5, tracking: -5 },
  boxes: 'tint',
  palettes: [
    ['Red top', palette([0.02, 0.95, 0.85, 0.12], [0.85, 0.55, 0.1, 0.2], [0, 0.02, 0.06, 0.05])],
    ['Blue top', palette([0.98, 0.6, 0.05, 0.15], [0.02, 0.6, 0.95, 0], [0.06, 0.02, 0, 0.04])],
    ['Evening', palette([0.4, 0.9, 0.2, 0.35], [0.02, 0.4, 0.9, 0], [0.03, 0.04, 0, 0.04])],
  ],
  styles: {
    headline: { leading: 4.7 * 8.9 },
    standfirst: { italic: false, weight: 400, size: 13, leading: 15.5 },
    nameplate: { letterCase: 'upper', weight: 900, align: 'left', swatch: 'accent1' },
    crosshead: { size: 10.5 },
    pullQuote: { italic: false, weight: 700, size: 20, leading: 21 },
    caption: { size: 8.2, leading: 9.6 },
    body: { letterSpace: { least: -0.01, best: 0, most: 0.02 }, glyphScale: { least: 0.97, best: 1, most: 1.03 } },
  },
  pages(page, text, plain) {
    const front = page('front', 'Front page', 'front', plain);
    const n = front.columns;
    const end = front.lines;
    front.nameplate([1, n, 1, 7]);
    front.text(
      [1, n, 8, 9],
      [paragraph('issueLine', field('season'), '   No. ', field('number'), '   ', field('price'))],
      BETWEEN_RULES,
    );
    front.rule([1, n, 10]);
    front.slot('lead', 'Lead story', 'headline', [1, n, 11, 22]);
    front.picture([1, n - 1, 24, end - 17]);
    front.panel([n, n, 24, end - 17]);
    front.text([n, n, 24, end - 17], [paragraph('crosshead', 'Inside'), contentsLine('contentsSmall')], {
      grows: false,
      inset: 6,
    });
    front.slot('lead', 'Lead story', 'body', [1, n, end - 14, end]);
    const news = page('news', 'News', undefined, text);
    news.story('one', 'First story', [1, n, 1, 38], 9);
    news.rule([1, n, 40]);
    news.story('two', 'Second story', [1, 3, 41, end], 9);
    news.advertisement([4, n, 41, end]);
    const letters = page('letters', 'Letters', undefined, text);
    letters.panel([1, n, 1, 7], 'tint');
    letters.text([1, n, 1, 7], [paragraph('headline', 'Your say')], { inset: 7 });
    letters.slot('letters', 'Letters', 'body', [1, 3, 9, end]);
    letters.picture([4, n, 9, 34]);
    letters.slot('column', 'Column', 'headline', [4, n, 38, 46]);
    letters.slot('column', 'Column', 'body', [4, n, 48, end]);
    const opening = page('opening', 'Feature', undefined, text);
    opening.bleeding([1, n, 1, 42], { left: true, right: true, top: true });
    opening.slot('opening', 'Feature', 'headline', [1, n, 46, 55]);
    opening.slot('opening', 'Feature', 'body', [1, n, 57, end]);
    const listing = page('listing', 'Listings', undefined, text);
    listing.head('Out and about', 7);
    listing.slot('listing', 'Listings', 'body', [1, n, 9, 52]);
    listing.advertisement([1, n, 55, end]);
    const pictures = page('pictures', 'Pictures', undefined, text);
    pictures.picture([1, 3, 1, 44]);
    pictures.picture([4, n, 1, 21]);
    pictures.picture([4, n, 24, 44]);
    pictures.slot('pictures', 'Picture story', 'headline', [1, n, 48, 56]);
    pictures.slot('pictures', 'Picture story', 'body', [1, n, 58, end]);
    const back = page('back', 'Back page', 'back', plain);
    back.slot('sport', 'Sport', 'headline', [1, n, 1, 10]);
    back.picture([1, n, 12, 48]);
    back.slot('sport', 'Sport', 'body', [1, 3, 52, end]);
    back.panel([4, n, 52, end]);
    back.slot('results', 'Results', 'body', [4, n, 53, end - 1]);
  },
};

/** A gazette: seven narrow columns, hairlines between short items, a name set small and wide. */
const GAZETTE: Design = {
  id: 'gazette',
  kind: 'newspaper',
  name: 'Gazette',
  says: 'For the record: eight narrow columns in pairs, rules, short items and a name set wide.',
  width: mm(300),
  height: mm(430),
  columns: 8,
  gutter: mm(4),
  textSpan: 2,
  size: 9,
  leading: 11,
  margins: { top: mm(20), inner: mm(16), outer: mm(16) },
  voice: { text: 'Newsreader', display: 'Newsreader', small: 'Work Sans', weight: 600, scale: 3, tracking: -8 },
  boxes: 'ruled',
  palettes: [
    ['Black', palette([0.3, 0.3, 0.3, 0.75], [0.1, 0.7, 0.8, 0.1], [0, 0, 0.02, 0.05])],
    ['Claret', palette([0.25, 0.95, 0.6, 0.35], [0.6, 0.4, 0.3, 0.2], [0, 0.02, 0.03, 0.04])],
    ['Admiral', palette([0.95, 0.75, 0.2, 0.3], [0.1, 0.5, 0.8, 0.05], [0.05, 0.02, 0, 0.03])],
  ],
  styles: {
    nameplate: { weight: 500, align: 'centre', swatch: 'ink', tracking: 10 },
    headline: { weight: 600 },
    standfirst: { weight: 400, italic: true },
    crosshead: { family: 'Newsreader', italic: true, weight: 600 },
  },
  pages(page, text, plain) {
    const front = page('front', 'Front page', 'front', plain);
    const n = front.columns;
    const end = front.lines;
    front.rule([1, n, 1]);
    front.nameplate([1, n, 3, 8]);
    front.rule([1, n, 10]);
    front.text(
      [1, n, 10, 11],
      [paragraph('issueLine', field('season'), '   No. ', field('number'), '   ', field('strapline'))],
      BETWEEN_RULES,
    );
    front.rule([1, n, 12]);
    front.slot('lead', 'Lead story', 'headline', [1, 6, 14, 18]);
    front.slot('lead', 'Lead story', 'standfirst', [1, 6, 19, 21]);
    front.slot('lead', 'Lead story', 'body', [1, 6, 23, 50]);
    front.rule([1, 6, 52]);
    front.picture([1, 4, 54, end - 20]);
    front.slot('picture', 'Picture story', 'body', [1, 4, end - 16, end]);
    front.story('second', 'Second story', [5, 6, 54, end], 9);
    front.text([7, n, 14, 34], [paragraph('crosshead', 'In this number'), contentsLine('contentsSmall')], { grows: false });
    front.rule([7, n, 36]);
    front.slot('brief', 'In brief', 'body', [7, n, 37, end]);
    const news = page('news', 'News', undefined, text);
    news.story('one', 'First story', [1, 4, 1, 46], 6);
    news.story('two', 'Second story', [5, n, 1, 46], 6);
    news.rule([1, n, 48]);
    news.story('three', 'Third story', [1, 2, 49, end], 9);
    news.picture([3, 6, 49, 74]);
    news.slot('four', 'Fourth story', 'body', [3, 6, 79, end]);
    news.story('five', 'Fifth story', [7, n, 49, end], 9);
    const letters = page('letters', 'Letters', undefined, text);
    letters.head('Letters to the editor', 4);
    letters.slot('letters', 'Letters', 'body', [1, 6, 6, end]);
    letters.slot('leader', 'Leader', 'headline', [7, n, 6, 13]);
    letters.slot('leader', 'Leader', 'body', [7, n, 15, end]);
    const opening = page('opening', 'Feature', undefined, text);
    opening.rule([1, n, 1]);
    opening.slot('opening', 'Feature', 'headline', [1, n, 2, 6]);
    opening.slot('opening', 'Feature', 'standfirst', [1, 6, 8, 11]);
    opening.picture([3, n, 14, 58]);
    opening.slot('opening', 'Feature', 'byline', [1, 2, 14, 15]);
    opening.slot('opening', 'Feature', 'body', [1, 2, 17, end]);
    opening.slot('opening', 'Feature', 'body', [3, n, 63, end]);
    const listing = page('listing', 'Notices', undefined, text);
    listing.head('Public notices', 4);
    listing.slot('notices', 'Notices', 'body', [1, n, 6, 70]);
    listing.rule([1, n, 72]);
    listing.advertisement([1, 4, 74, end]);
    listing.advertisement([5, n, 74, end]);
    const pictures = page('pictures', 'Pictures', undefined, text);
    pictures.picture([1, 5, 1, 46]);
    pictures.picture([6, n, 1, 46]);
    pictures.rule([1, n, 51]);
    pictures.slot('pictures', 'Picture story', 'headline', [1, n, 52, 56]);
    pictures.slot('pictures', 'Picture story', 'body', [1, n, 58, end]);
    const back = page('back', 'Back page', 'back', text);
    back.story('sport', 'Sport', [1, 6, 1, 58], 6);
    back.slot('results', 'Results', 'body', [7, n, 1, 58]);
    back.rule([1, n, 60]);
    back.advertisement([1, n, 62, end]);
  },
};

export const NEWSPAPERS: readonly Design[] = [WEEKLY, COMPACT, GAZETTE];
