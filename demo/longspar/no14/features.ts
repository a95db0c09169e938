import { mm } from '@/core/length/length';
import { formatOf } from '@/core/page/pages';
import { get } from '@/core/records/document';
import { KEPT, OUTLINED, type Pages } from '../../pages';

/** The first features: pages 6 to 17. */

export function spar(pages: Pages): void {
  const id = 'the-spar-remembers';
  const bench = pages.hang('fenn-bench.webp', 6, pages.sheet(6), { focus: { x: 0.42, y: 0.6 } });
  pages.credited(bench, 6, mm(5.5), formatOf(pages.edit.document).height - mm(6));
  pages.words(7, pages.box(7, [1, 6], [1, 1]), [['kicker', 'AT THE BENCH']]);
  const line = pages.opening(id, 7, 3, { headline: [1, 6], style: 'headlineGrand', rest: [1, 5] });
  pages.run(id, 7, [1, 4], [line + 4, 52], 2);
  const side = pages.box(7, [5, 6], [line + 4, line + 20]);
  const fenn = pages.hang('portrait-fenn.jpg', 7, side, { wrap: KEPT, focus: { x: 0.45, y: 0.4 } });
  pages.captioned(fenn, 7, { ...side, y: side.y + side.h + 5, h: 20 });
  pages.captioned(bench, 7, pages.box(7, [5, 6], [50, 52]), {
    words: 'Opposite: ash by the window. The shavings come off in a single curl, or she begins again.',
  });
  pages.restyle(get(pages.edit.document, 'story', id).parts.body, 'crossheadWide', (words) => words === 'What the door lets in');
  const walk = pages.box(8, [1, 6], [1, 6]);
  const ropes = pages.hang(
    'ropewalk.jpg',
    8,
    { ...pages.sheet(8), h: walk.y + walk.h + mm(3) },
    { wrap: KEPT, focus: { x: 0.5, y: 0.5 } },
  );
  pages.captioned(ropes, 8, { ...pages.box(8, [1, 6], [7, 7]), y: walk.y + walk.h + 6 });
  pages.run(id, 8, [1, 6], [9, 52], 3, { balanced: true });
  // Between the second and the third column of text, so that each of them runs along one side of it.
  const spine = pages.box(8, [4, 4], [34, 49]);
  pages.hang(
    'fenn-kite-cutout.png',
    8,
    { ...spine, x: spine.x + spine.w + mm(2.5) - mm(20), w: mm(40) },
    { wrap: OUTLINED, fit: 'fit' },
  );
  pages.quote(id, 'A kite is finished when it is broken');
  pages.wholePage('Tarrant and Daughters, printers', 'tarrant-printers.pdf', 9);
}

export function gustsAndFallen(pages: Pages): void {
  gusts(pages);
  lesson(pages);
  fallen(pages);
  test(pages);
}

function gusts(pages: Pages): void {
  const id = 'what-the-gust-meter-heard';
  const top = pages.box(10, [1, 6], [1, 28]);
  const dusk = pages.hang('hollin-head-dusk.jpg', 10, { ...pages.sheet(10, true), h: top.y + top.h + mm(3) }, { wrap: KEPT });
  pages.captioned(dusk, 10, { ...pages.box(10, [1, 6], [29, 30]), y: top.y + top.h + 6 });
  pages.credited(dusk, 10, mm(5.5), top.y + top.h - 6);
  pages.part(id, 'headline', 10, pages.box(10, [1, 6], [32, 36]));
  pages.part(id, 'standfirst', 10, pages.box(10, [1, 2], [38, 44]));
  pages.part(id, 'byline', 10, pages.box(10, [1, 2], [50, 50]));
  pages.run(id, 10, [3, 6], [38, 52], 2);
  pages.run(id, 11, [1, 6], [32, 52], 3);
  const lantern = pages.box(11, [4, 5], [36, 50]);
  pages.hang(
    'lantern.jpg',
    11,
    { ...lantern, x: lantern.x + mm(28.5) - mm(12), w: mm(24) },
    { wrap: { mode: 'outline', standOff: mm(4), outline: 'background' }, fit: 'fit' },
  );
  pages.run(id, 12, [1, 6], [12, 25], 3, { balanced: true });
  const trace = pages.box(12, [1, 6], [1, 8]);
  const pen = pages.hang('gust-trace.svg', 12, trace);
  pages.captioned(pen, 12, { ...trace, y: trace.y + trace.h + 6, h: 20 });
  pages.book('The winter lectures', 'hollin-lectures.svg', 'halfFlat', 12, [1, 6], [27, 52]);
}

function lesson(pages: Pages): void {
  const id = 'two-hands-on-the-line';
  pages.area(13, pages.sheet(13), 'tint');
  pages.words(13, pages.box(13, [1, 6], [1, 1]), [['kicker', 'A SHORT LESSON']]);
  const line = pages.opening(id, 13, 3, { headline: [1, 4], style: 'headlineFeature', rest: [1, 4] });
  pages.run(id, 13, [1, 2], [line + 1, 43], 1);
  const drawing = pages.box(13, [3, 6], [19, 50]);
  const anatomy = pages.hang('anatomy.svg', 13, drawing);
  pages.captioned(anatomy, 13, pages.box(13, [3, 6], [51, 52]));
  // The file is far too small for its frame: one of the faults that are meant.
  const orrin = pages.box(13, [1, 2], [45, 52]);
  pages.hang('orrin-profile.jpg', 13, orrin, { focus: { x: 0.5, y: 0.3 } });
}

function fallen(pages: Pages): void {
  const id = 'a-field-guide-to-fallen-kites';
  const square = (file: string, number: number, columns: readonly [number, number], lines: readonly [number, number]) => {
    const at = pages.box(number, columns, lines);
    const frame = pages.hang(file, number, at, { wrap: KEPT });
    return { at, frame };
  };
  square('fallen-elm.jpg', 14, [1, 3], [1, 19]);
  square('fallen-perch.jpg', 14, [4, 6], [1, 19]);
  pages.words(14, pages.box(14, [1, 6], [22, 22]), [['kicker', 'PICTURES: INGE SARROW']]);
  const line = pages.opening(id, 14, 24, { headline: [1, 4], style: 'headlineFeature', rest: [1, 6] });
  pages.run(id, 14, [1, 6], [line + 1, 52], 3, { balanced: true });
  square('fallen-gasworks.jpg', 15, [1, 3], [1, 19]);
  square('nets.jpg', 15, [4, 6], [1, 19]);
  square('fallen-railings.jpg', 15, [1, 3], [21, 52]);
  const head = pages.box(15, [4, 6], [21, 52]);
  const last = pages.hang('fallen-head.jpg', 15, head, { wrap: KEPT, focus: { x: 0.45, y: 0.4 } });
  pages.credited(last, 15, head.x + head.w - 13, head.y + head.h - 6);
}

function test(pages: Pages): void {
  const id = 'linen-silk-paper-nylon';
  const table = pages.tableOf(id);
  const { width, bleed } = formatOf(pages.edit.document);
  const top = pages.box(16, [1, 6], [1, 11]);
  const step = (width + bleed) / 4;
  (['linen', 'silk', 'paper', 'nylon'] as const).forEach((name, i) => {
    const at = { x: -bleed + i * step, y: -bleed, w: step, h: top.y + top.h + bleed };
    const cloth = pages.hang(`cloth-${name}.jpg`, 16, at);
    pages.captioned(
      cloth,
      16,
      {
        x: pages.box(16, [1, 1], [1, 1]).x * (i === 0 ? 1 : 0) + (i === 0 ? 0 : at.x + 4),
        y: top.y + top.h + 5,
        w: step - mm(8),
        h: 12,
      },
      { style: 'captionStrong' },
    );
  });
  pages.words(16, pages.box(16, [1, 6], [15, 15]), [['kicker', 'THE TEST']]);
  const line = pages.opening(id, 16, 17, { headline: [1, 5], style: 'headlineGrand', rest: [1, 6] });
  pages.run(id, 16, [1, 6], [line + 1, 52], 3, { balanced: true });
  pages.words(17, pages.box(17, [1, 6], [1, 1]), [['kicker', 'A MONTH OF MORNINGS, IN FIGURES']]);
  pages.blocks(17, pages.box(17, [1, 4], [3, 14]), [pages.tableStyled(table)], { grows: false });
  pages.chart(17, pages.box(17, [1, 6], [16, 24]), {
    form: 'bars',
    rows: [
      { label: 'Linen', value: 26 },
      { label: 'Nylon', value: 24 },
      { label: 'Silk', value: 19 },
      { label: 'Paper', value: 14.5 },
    ],
    unit: ' knots',
  });
  const portrait = pages.box(17, [5, 6], [3, 12]);
  const hal = pages.hang('portrait-brandreth.jpg', 17, portrait, { focus: { x: 0.45, y: 0.35 } });
  pages.captioned(hal, 17, { ...portrait, y: portrait.y + portrait.h + 5, h: 20 });
  pages.book('Ternhaven Chandlers', 'chandlers-half.svg', 'halfFlat', 17, [1, 6], [27, 52]);
}
