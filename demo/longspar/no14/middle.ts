import { mm } from '@/core/length/length';
import { formatOf } from '@/core/page/pages';
import { KEPT, OUTLINED, type Pages } from '../../pages';

/** The middle of the number: pages 18 to 29. */

const KNOTS = [
  ['knot-overhand.svg', '44 %'],
  ['knot-eight.svg', '52 %'],
  ['knot-larks-head.svg', '71 %'],
  ['knot-bowline.svg', '64 %'],
  ['knot-blood.svg', '78 %'],
  ['knot-sheet-bend.svg', '55 %'],
  ['knot-rolling-hitch.svg', '68 %'],
  ['knot-surgeon.svg', '61 %'],
  ['knot-two-half-hitches.svg', '74 %'],
] as const;

/** Those who have flown it, in the order in which they changed their minds. */
const FLYERS = [
  'portrait-carrow.jpg',
  'portrait-reyes.jpg',
  'portrait-udall.jpg',
  'portrait-holt.jpg',
  'portrait-sefa.jpg',
] as const;

export function womenAndKnots(pages: Pages): void {
  const id = 'the-women-who-sewed-the-wind';
  const { width, height } = formatOf(pages.edit.document);
  const loft = pages.hang('sewing-loft.jpg', 18, pages.sheet(18, true), { focus: { x: 0.5, y: 0.6 } });
  // The words above stand on a wall that is nearly too bright for them.
  pages.shade(18, { ...pages.sheet(18, true), h: mm(80) }, 'deep', 0.6, 'foot');
  pages.credited(loft, 18, mm(5.5), height - mm(6));
  pages.part(id, 'headline', 18, { x: mm(17), y: mm(16), w: mm(96), h: 100 }, 'headlineOnPicture');
  const plate = { x: width - mm(17) - mm(78), y: mm(22), w: mm(78), h: mm(46) };
  const foot = pages.part(id, 'standfirst', 19, plate, 'standfirstOnPicture');
  pages.part(id, 'byline', 19, { ...plate, y: foot + 8, h: 14 }, 'bylineOnPicture');
  pages.run(id, 20, [1, 4], [1, 52], 2);
  const leaf = pages.box(20, [5, 6], [1, 17]);
  const drawn = pages.hang('leaf-pattern.png', 20, leaf, { fit: 'fit' });
  pages.captioned(drawn, 20, { ...leaf, y: leaf.y + leaf.h + 5, h: 20 });
  const side = pages.box(20, [5, 6], [36, 50]);
  const pike = pages.hang('portrait-pike.jpg', 20, side, { focus: { x: 0.5, y: 0.35 } });
  pages.captioned(pike, 20, { ...side, y: side.y + side.h + 5, h: 12 });
  const book = pages.box(21, [1, 6], [1, 14]);
  const ledger = pages.hang(
    'ledger.jpg',
    21,
    { ...pages.sheet(21), h: book.y + book.h + mm(3) },
    { wrap: KEPT, focus: { x: 0.5, y: 0.5 } },
  );
  pages.captioned(ledger, 21, { ...pages.box(21, [1, 4], [15, 16]), y: book.y + book.h + 6 });
  pages.run(id, 21, [1, 6], [18, 39], 3, { balanced: true });
  pages.rule(21, pages.box(21, [1, 6], [40, 40]), 'deep', 0.5);
  pages.words(21, pages.box(21, [1, 6], [41, 41]), [['kicker', 'FIVE WHO HAVE FLOWN IT']]);
  const area = pages.box(21, [1, 6], [42, 50]);
  const gap = mm(8);
  const w = (area.w - 4 * gap) / 5;
  FLYERS.forEach((file, i) => {
    const at = { x: area.x + i * (w + gap), y: area.y + 4, w, h: w * 1.1 };
    const frame = pages.hang(file, 21, at, { focus: { x: 0.45, y: 0.35 } });
    pages.captioned(frame, 21, { ...at, y: at.y + at.h + 4, h: 20 });
  });
  pages.quote(id, 'A flag shows what the wind is doing to a flag');
  knots(pages);
}

function knots(pages: Pages): void {
  const id = 'nine-knots';
  // Their figures stand under the drawings instead.
  pages.tableOf(id);
  pages.words(22, pages.box(22, [1, 6], [1, 1]), [['kicker', 'ON THE BENCH']]);
  const line = pages.opening(id, 22, 3, { headline: [1, 6], style: 'headlineFeature', rest: [1, 5] });
  pages.run(id, 22, [1, 4], [line + 1, 42], 2, { balanced: true });
  const reel = pages.box(22, [5, 6], [line + 1, line + 15]);
  const frame = pages.hang('reel.png', 22, reel, { wrap: OUTLINED, fit: 'fit' });
  pages.captioned(frame, 22, { ...reel, y: reel.y + reel.h + 5, h: 12 });
  const foot = pages.box(22, [1, 6], [44, 44]);
  const sheet = pages.sheet(22);
  const thread = pages.hang(
    'spools.jpg',
    22,
    { ...sheet, y: foot.y, h: sheet.h + sheet.y - foot.y },
    { focus: { x: 0.5, y: 0.72 } },
  );
  pages.captioned(thread, 22, { ...pages.box(22, [1, 4], [43, 43]), y: foot.y - 14 });
  pages.area(23, pages.sheet(23), 'tint');
  KNOTS.forEach(([file, leaves], i) => {
    const [column, line] = [1 + (i % 3) * 2, 2 + Math.floor(i / 3) * 17];
    const at = pages.box(23, [column, column + 1], [line, line + 11]);
    const drawing = pages.hang(file, 23, at, { fit: 'fit' });
    pages.captioned(drawing, 23, pages.box(23, [column, column + 1], [line + 12, line + 12]), { style: 'captionStrong' });
    pages.words(23, pages.box(23, [column, column + 1], [line + 13, line + 14]), [['figure', leaves]]);
  });
}

export function barAndLine(pages: Pages): void {
  bar(pages);
  lineWalker(pages);
}

function bar(pages: Pages): void {
  const id = 'over-the-bar';
  const foot = pages.box(24, [1, 6], [1, 37]);
  const raft = pages.hang(
    'the-reasonable.jpg',
    24,
    { ...pages.sheet(24, true), h: foot.y + foot.h + mm(3) },
    { wrap: KEPT, focus: { x: 0.5, y: 0.36 } },
  );
  pages.captioned(raft, 24, { ...pages.box(24, [1, 3], [38, 38]), y: foot.y + foot.h + 6 });
  pages.credited(raft, 24, mm(5.5), foot.y + foot.h - 6);
  pages.part(id, 'headline', 24, pages.box(24, [1, 6], [42, 46]), 'headlineGrand');
  pages.part(id, 'standfirst', 25, pages.box(25, [1, 2], [40, 46]));
  pages.part(id, 'byline', 25, pages.box(25, [1, 2], [52, 52]));
  pages.run(id, 25, [3, 6], [40, 52], 2);
  pages.run(id, 26, [1, 6], [1, 52], 3);
  const chart = pages.box(26, [3, 6], [26, 50]);
  const water = pages.hang('chart-bar.svg', 26, chart, { wrap: KEPT });
  pages.captioned(water, 26, { ...chart, y: chart.y + chart.h + 5, h: 12 });
  pages.run(id, 27, [1, 4], [1, 20], 2, { balanced: true });
  const scale = pages.box(27, [5, 6], [1, 15]);
  const balance = pages.hang('spring-balance.jpg', 27, scale, { focus: { x: 0.5, y: 0.5 } });
  pages.captioned(balance, 27, { ...scale, y: scale.y + scale.h + 5, h: 20 });
  const top = pages.box(27, [1, 6], [23, 23]);
  const sheet = pages.sheet(27);
  const storm = pages.hang(
    'easterly.jpg',
    27,
    { ...sheet, y: top.y, h: sheet.h + sheet.y - top.y },
    { wrap: KEPT, focus: { x: 0.5, y: 0.6 } },
  );
  pages.credited(storm, 27, formatOf(pages.edit.document).width - mm(9), formatOf(pages.edit.document).height - mm(8));
  pages.quote(id, 'It pulled two grown men along the sand');
}

function lineWalker(pages: Pages): void {
  const id = 'the-line-walker';
  const { height } = formatOf(pages.edit.document);
  const marsh = pages.hang('line-walker.jpg', 28, pages.sheet(28), { focus: { x: 0.4, y: 0.6 } });
  pages.credited(marsh, 28, mm(5.5), height - mm(6));
  pages.words(29, pages.box(29, [1, 6], [1, 1]), [['kicker', 'A CONVERSATION']]);
  const line = pages.opening(id, 29, 3, { headline: [1, 6], style: 'headlineFeature', rest: [1, 4], byline: false });
  pages.part(id, 'byline', 29, pages.box(29, [5, 6], [line - 5, line - 5]));
  pages.run(id, 29, [1, 6], [line + 1, 52], 3);
  pages.quote(id, 'I said that I was what became of it');
  pages.captioned(marsh, 29, pages.box(29, [5, 6], [line - 3, line - 1]), {
    words: 'Opposite: Teodor Marsh at the fence. What is not known to be anybody’s is hung here.',
  });
}
