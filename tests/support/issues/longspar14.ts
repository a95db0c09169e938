import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Node } from 'prosemirror-model';
import { Edit } from '@/core/actions/edit';
import { growingText, NO_WRAP, putFrame } from '@/core/actions/frames';
import { makeQuote } from '@/core/actions/quotes';
import { putStory, type NewStory } from '@/core/actions/stories';
import type { Typesetter } from '@/core/actions/typesetter';
import type { Box, Point } from '@/core/geometry/box';
import { mm } from '@/core/length/length';
import { pageGrid, stretchBox } from '@/core/page/grid';
import { formatOf, placedPage } from '@/core/page/pages';
import {
  bodyOf,
  docOf,
  fieldOf,
  mapParagraphs,
  paragraphOf,
  paragraphsOf,
  plainParagraphs,
  plainText,
} from '@/core/records/body';
import { bodySchema } from '@/core/records/bodySchema';
import { documentOf, framesOn, get, type Document } from '@/core/records/document';
import type { TextContent, Wrap } from '@/core/records/frame';
import type { PictureRecord, TextRecord } from '@/core/records/index';
import { textIn } from '@/core/records/kinds/frames';
import type { StoryState } from '@/core/records/story';
import type { ParagraphAttrs, TableAttrs } from '@/core/records/text';
import { readMarkdown } from '@/formats/copy/markdown';
import { storyOf } from '@/formats/copy/story';
import { curly } from '@demo/stories';
import { LONGSPAR_HOUSE } from '@demo/longspar/house';

/** Longspar No. 14 as the tests know it: eight pages, of them a cover, contents and two features; one story is overset, one lies in the tray. */

const FOLDER = join(process.cwd(), 'demo', 'longspar', 'stories');

const STORIES = [
  'from-the-bench',
  'the-spar-remembers',
  'what-the-gust-meter-heard',
  'two-hands-on-the-line',
  'forty-makers-no-agreement',
] as const;
const SECTIONS: Readonly<Record<(typeof STORIES)[number], string>> = {
  'from-the-bench': 'Department',
  'the-spar-remembers': 'Feature',
  'what-the-gust-meter-heard': 'Feature',
  'two-hands-on-the-line': 'Department',
  'forty-makers-no-agreement': 'Feature',
};

/** How far each is, how many words it was asked for at, and when. */
const PROGRESS: Readonly<Record<(typeof STORIES)[number], readonly [state: StoryState, target: number, due: string]>> = {
  'from-the-bench': ['passed', 280, '2026-11-16'],
  'the-spar-remembers': ['passed', 1050, '2026-11-18'],
  'what-the-gust-meter-heard': ['edited', 800, '2026-11-20'],
  'two-hands-on-the-line': ['passed', 150, '2026-11-20'],
  'forty-makers-no-agreement': ['delivered', 600, '2026-11-25'],
};

/** A story of the demo: headline, standfirst (a block quotation), byline, and the rest. */
async function readStory(name: (typeof STORIES)[number]): Promise<NewStory> {
  const copy = readMarkdown(await readFile(join(FOLDER, `${name}.md`), 'utf8'));
  const [headline, standfirst, byline, ...rest] = copy.blocks;
  const words = (block: typeof headline) => curly((block?.content ?? []).map((node) => node.text ?? '').join(''));
  return {
    name: words(headline),
    section: SECTIONS[name],
    headline: words(headline),
    standfirst: words(standfirst),
    byline: words(byline),
    body: bodyOf(storyOf({ ...copy, blocks: [headline!, ...rest] }).body),
  };
}

const PAGES = ['p1', 'p2', 'p3', 'p4', 'p5', 'p6', 'p7', 'p8'];

const FRAME: Wrap = { mode: 'frame', standOff: mm(4), outline: 'alpha' };
/** Says where a story goes on and where it comes from, where it does. */
const JUMPS: Partial<TextContent> = { jumpTo: 'jump-to', jumpFrom: 'jump-from' };
const CLOSE: Wrap = { mode: 'frame', standOff: 0, outline: 'alpha' };

/**
 * @param pictures the issue's pictures by file name, with their blobs kept
 * @param typesetter with the house's faces loaded
 */
export async function issue14(
  pictures: ReadonlyMap<string, Omit<PictureRecord, 'kind' | 'id' | 'order'>>,
  typesetter: Typesetter,
): Promise<Document> {
  const edit = new Edit(
    documentOf([
      {
        id: 'issue',
        kind: 'issue',
        publication: 'Longspar',
        number: '14',
        season: 'Winter',
        date: '2026-12-04',
        language: 'en-GB',
        house: { seq: 0, settled: {} },
      },
      ...LONGSPAR_HOUSE,
      ...PAGES.map((id, i) => ({ id, kind: 'page' as const, order: `a${i}`, master: i === 0 || i === 7 ? 'plain' : 'feature' })),
    ]),
  );
  [...pictures].forEach(([file, picture], i) =>
    edit.put<PictureRecord>({ id: pictureId(file), kind: 'picture', order: `a${i}`, ...picture }),
  );
  for (const name of STORIES) {
    const story = putStory(edit, await readStory(name), name);
    const [state, target, due] = PROGRESS[name];
    edit.put({ ...story, state, target, due });
  }
  finishCopy(edit);

  const page = new Sheet(edit, typesetter);
  buildCover(page);
  buildContents(page);
  buildBench(page);
  buildSpar(page, edit, typesetter);
  buildGusts(page);
  buildBack(page);
  return edit.document;
}

/** What the copy is given by hand once it is in: openings, a head across the columns, a table, small capitals. */
function finishCopy(edit: Edit): void {
  const body = (story: (typeof STORIES)[number]) => get(edit.document, 'text', `${story}-body`);
  const restyle = (story: (typeof STORIES)[number], style: string, which: (words: string, index: number) => boolean) => {
    const text = body(story);
    edit.put({
      ...text,
      body: mapParagraphs(text.body, (node, i) => (which(plainText(node), i) ? inStyle(node, style) : node)),
    });
  };
  for (const story of STORIES) restyle(story, 'bodyOpening', (_, i) => i === 0);
  restyle('the-spar-remembers', 'crossheadWide', (words) => words === 'What the door lets in');
  const gusts = body('what-the-gust-meter-heard');
  const blocks = gusts.body.content.content;
  const at = blocks.findIndex((node) => plainText(node).startsWith('The cause,'));
  edit.put({ ...gusts, body: docOf([...blocks.slice(0, at), PURSE, ...blocks.slice(at)]) });
}

const inStyle = (node: Node, style: string): Node => paragraphOf({ ...(node.attrs as ParagraphAttrs), style }, node.content);

const cells = (styles: readonly string[], ...words: readonly string[]): Node =>
  bodySchema.node(
    'row',
    null,
    words.map((each, i) =>
      bodySchema.node('cell', { align: 'bottom' }, plainParagraphs(styles[Math.min(i, styles.length - 1)]!, each)),
    ),
  );

const FIGURES = ['tableText', 'tableFigure'];

/** Minutes between gusts, as the table on page 7 gives them. */
const PURSE = bodySchema.node(
  'table',
  {
    columns: [{ share: 2.1 }, { share: 1.2 }, { share: 1.3 }],
    headerRows: 1,
    inset: { top: 2.5, right: 2, bottom: 2.5, left: 2 },
    rules: {
      rows: { weight: 0.25, swatch: 'deep', tint: 0.5 },
      head: { weight: 0.75, swatch: 'accent1', tint: 1 },
      around: { weight: 0, swatch: 'deep', tint: 1 },
    },
    stripe: { swatch: 'tint', tint: 1 },
  } satisfies TableAttrs,
  [
    cells(['tableHead', 'tableHeadFigure'], 'Wind from', 'Gusts', 'Minutes'),
    cells(FIGURES, 'South-west', '3', '11.4'),
    cells(FIGURES, 'West', '4', '10.9'),
    cells(FIGURES, 'West, before rain', '4', '10.1'),
    cells(FIGURES, 'North-west', '2', '12.7'),
  ],
);

const pictureId = (file: string): string => file.replace(/\.[^.]+$/, '');

/** Puts frames on pages in grid terms. */
class Sheet {
  readonly #edit: Edit;
  readonly #typesetter: Typesetter;
  #count = 0;

  constructor(edit: Edit, typesetter: Typesetter) {
    this.#edit = edit;
    this.#typesetter = typesetter;
  }

  /** The box of columns and lines, both ends included. */
  box(page: string, columns: readonly [number, number], lines: readonly [number, number]): Box {
    const placed = placedPage(this.#edit.document, page)!;
    return stretchBox(pageGrid(formatOf(this.#edit.document), placed.master, placed.side), { columns, lines });
  }

  size(): { w: number; h: number; bleed: number } {
    const { width, height, bleed } = formatOf(this.#edit.document);
    return { w: width, h: height, bleed };
  }

  panel(page: string, box: Box, swatch: string, tint = 1, wrap: Wrap = NO_WRAP): void {
    putFrame(this.#edit, page, box, { type: 'panel' }, wrap, { fill: { swatch, tint } });
  }

  rule(page: string, box: Box, swatch: string): void {
    putFrame(this.#edit, page, { ...box, h: 0.5 }, { type: 'rule', weight: 0.5 }, NO_WRAP, { fill: { swatch, tint: 1 } });
  }

  /** A text of its own, in paragraphs of given styles. */
  words(
    page: string,
    box: Box,
    paragraphs: readonly (readonly [style: string, text: string])[],
    wrap: Wrap = NO_WRAP,
    more: Partial<TextContent> = {},
  ): string {
    const content = paragraphs.flatMap(([style, text]) => plainParagraphs(style, text));
    return this.blocks(page, box, content, wrap, more);
  }

  /** A text of its own, block by block. */
  blocks(page: string, box: Box, content: readonly Node[], wrap: Wrap = NO_WRAP, more: Partial<TextContent> = {}): string {
    const text = this.#edit.put<TextRecord>({
      id: `words-${++this.#count}`,
      kind: 'text',
      role: 'furniture',
      body: docOf(content),
    });
    return putFrame(this.#edit, page, box, { ...growingText(text.id), ...more }, wrap).id;
  }

  /** A part of a story, in a frame that is as high as its text; gives the y of its foot. */
  part(page: string, box: Box, text: string, style?: string): number {
    if (style) {
      const record = get(this.#edit.document, 'text', text);
      const body = mapParagraphs(record.body, (node) => inStyle(node, style));
      this.#edit.put({ ...record, body });
    }
    const frame = putFrame(this.#edit, page, box, growingText(text), CLOSE);
    const grown = this.#typesetter.compose(this.#edit.document).grown.get(frame.id)!;
    this.#edit.put({ ...frame, box: grown });
    return grown.y + grown.h;
  }

  body(page: string, box: Box, text: string, order: string, columns: number, more: Partial<TextContent> = {}): void {
    putFrame(this.#edit, page, box, {
      type: 'text',
      text,
      order,
      columns,
      gutter: mm(5),
      inset: 0,
      grows: false,
      ignoresWraps: false,
      align: 'top',
      ...more,
    });
  }

  picture(page: string, box: Box, file: string, wrap: Wrap, fit: 'fill' | 'fit' = 'fill', focus?: Point): void {
    const picture = get(this.#edit.document, 'picture', pictureId(file));
    if (focus) this.#edit.put({ ...picture, focus });
    putFrame(this.#edit, page, box, { type: 'picture', picture: picture.id, fit }, wrap);
  }

  caption(page: string, box: Box, file: string, wrap: Wrap = CLOSE): void {
    const { caption } = get(this.#edit.document, 'picture', pictureId(file));
    this.#beside(page, file, 'caption', this.words(page, box, [['caption', caption]], wrap));
  }

  /** Ties words that were put on a page to the picture they are of. */
  #beside(page: string, file: string, role: 'caption' | 'credit', id: string): void {
    const picture = pictureId(file);
    const frame = get(this.#edit.document, 'frame', id);
    const owner = framesOn(this.#edit.document, page).find(
      ({ content }) => content.type === 'picture' && content.picture === picture,
    )!;
    const beside = { frame: owner.id, place: 'own', gap: 6, width: mm(40) } as const;
    const [dx, dy] = [frame.box.x - owner.box.x, frame.box.y - owner.box.y - owner.box.h];
    this.#edit.put({ ...frame, beside: { ...beside, dx, dy } });
    const text = get(this.#edit.document, 'text', textIn(frame)!);
    this.#edit.put({ ...text, role, picture });
  }

  /** A credit that runs up the edge of its picture, from `foot` on. */
  credit(page: string, file: string, x: number, foot: number, style = 'creditTurned'): void {
    const { credit } = get(this.#edit.document, 'picture', pictureId(file));
    const h = 110;
    const words: [string, string][] = [[style, credit.toUpperCase()]];
    this.#beside(page, file, 'credit', this.words(page, { x, y: foot - h, w: 9, h }, words, NO_WRAP, { grows: false, turns: 3 }));
  }
}

function buildCover(page: Sheet): void {
  const { w, h, bleed } = page.size();
  page.picture('p1', { x: -bleed, y: -bleed, w: w + 2 * bleed, h: h + 2 * bleed }, 'cover-easterly.jpg', NO_WRAP);
  page.words('p1', { x: 0, y: mm(15), w, h: 100 }, [['nameplate', 'Longspar']]);
  page.words('p1', { x: 0, y: mm(9.5), w, h: 12 }, [
    ['nameplateLine', 'KITE CRAFT, FOUR TIMES A YEAR \u2003 No. 14 \u2003 WINTER'],
  ]);
  page.words('p1', { x: mm(14), y: mm(170), w: mm(64), h: 80 }, [
    ['coverLine', 'The spar remembers'],
    ['coverNote', 'A morning with the last maker who bridles by ear'],
  ]);
  page.words('p1', { x: mm(142), y: mm(190), w: mm(58), h: 80 }, [
    ['coverLine', 'Ninety years of gusts'],
    ['coverNote', 'What a cellar full of paper knows about tomorrow'],
  ]);
}

/** An entry of the contents: the page its story begins on, wherever that may be, its title and a note. */
function entry(story: (typeof STORIES)[number], title: string, note: string): Node[] {
  return [
    paragraphOf({ style: 'contentsFolio' }, [fieldOf({ name: 'folio', of: story })]),
    ...plainParagraphs('contentsStory', title),
    ...plainParagraphs('contentsNote', note),
  ];
}

function buildContents(page: Sheet): void {
  page.words('p2', page.box('p2', [1, 6], [1, 5]), [['contentsTitle', 'In this number']], CLOSE);
  const list = page.box('p2', [1, 3], [7, 36]);
  page.blocks('p2', list, [
    ...entry('from-the-bench', 'From the bench', 'A word before the wind gets up.'),
    ...entry('the-spar-remembers', 'The spar remembers', 'Marek Tolliver in a workshop that the sea is slowly taking back.'),
    ...entry(
      'what-the-gust-meter-heard',
      'What the gust meter heard',
      'Ines Calloway on ninety years of wind, and the first person to read them.',
    ),
    ...entry(
      'two-hands-on-the-line',
      'Two hands on the line',
      'How to hold on, and when to stop. A short lesson for the beach by Tam Orrin.',
    ),
  ]);
  const side = page.box('p2', [4, 6], [7, 34]);
  page.picture('p2', side, 'strand.jpg', FRAME, 'fill', { x: 0.56, y: 0.5 });
  page.caption('p2', { ...page.box('p2', [4, 6], [35, 37]), y: side.y + side.h + 5 }, 'strand.jpg');
  page.credit('p2', 'strand.jpg', side.x + side.w - 13, side.y + side.h - 5, 'creditOutlined');
  const foot = page.box('p2', [1, 6], [41, 52]);
  page.rule('p2', { ...foot, y: foot.y + 5 }, 'deep');
  const third = (i: number) => ({ ...page.box('p2', [1 + 2 * i, 2 + 2 * i], [42, 52]) });
  page.words('p2', third(0), [
    ['smallStrong', 'Longspar'],
    ['small', 'Kite craft, four times a year, from the Net House, Quay Lane, Ternhaven.'],
    ['smallStrong', 'Write to us'],
    ['small', 'letters@longspar.example. Letters may be cut to fit; arguments will be left whole.'],
  ]);
  page.words('p2', third(1), [
    ['smallStrong', 'Editor'],
    ['small', 'Hester Lowe'],
    ['smallStrong', 'Layout'],
    ['small', 'Anselm Bray'],
    ['smallStrong', 'Pictures'],
    ['small', 'Inge Sarrow, Rafe Dunmore'],
  ]);
  page.words('p2', third(2), [
    ['smallStrong', 'On the cover'],
    ['small', 'Over the bar at the river mouth, the first morning of the easterlies. Picture by Inge Sarrow.'],
    ['smallStrong', 'Printed'],
    ['small', 'by Tarrant and Daughters, Ternhaven, on uncoated stock that takes a pencil.'],
  ]);
}

function buildBench(page: Sheet): void {
  const head = page.box('p3', [1, 6], [1, 1]);
  page.words('p3', head, [['kicker', 'FROM THE BENCH']]);
  page.part('p3', page.box('p3', [1, 4], [3, 5]), 'from-the-bench-standfirst', 'headlineDepartment');
  page.body('p3', page.box('p3', [1, 4], [9, 27]), 'from-the-bench-body', 'a0', 2, JUMPS);
  const side = page.box('p3', [5, 6], [9, 25]);
  page.picture('p3', side, 'orrin-profile.jpg', FRAME, 'fill', { x: 0.5, y: 0.2 });
  page.caption('p3', { ...side, y: side.y + side.h + 5, h: 30 }, 'orrin-profile.jpg');
  page.credit('p3', 'orrin-profile.jpg', side.x + side.w - 13, side.y + side.h - 5, 'creditOutlined');
  const lectures = page.box('p3', [1, 6], [30, 36]);
  page.panel('p3', lectures, 'tint');
  page.words(
    'p3',
    lectures,
    [
      ['listingHead', 'The winter lectures, at the chandlery, with soup'],
      ['listing', 'Tuesday 1 December\tKnots that hold'],
      ['listing', 'Tuesday 8 December\tKnots that let go'],
      ['listing', 'Tuesday 15 December\tWhat the cellar knows about tomorrow'],
    ],
    NO_WRAP,
    { inset: { top: 15, right: 0, bottom: 0, left: mm(8) }, grows: false },
  );
  const { w, h, bleed } = page.size();
  const ad = { x: 0, y: h - mm(88), w: w + bleed, h: mm(88) + bleed };
  page.panel('p3', ad, 'sea', 1, FRAME);
  page.words('p3', { x: mm(14), y: ad.y + mm(14), w: mm(112), h: 90 }, [
    ['adLarge', 'Cloth that has met the weather'],
    [
      'adText',
      'Marram & Sons, sailcloth and linen by the yard, tarred or plain. Fish Steps, Ternhaven. Open when the flag is up.',
    ],
  ]);
  page.picture('p3', { x: mm(148), y: ad.y + mm(10), w: mm(46), h: mm(69) }, 'fenn-kite-cutout.png', NO_WRAP, 'fit');
}

function buildSpar(page: Sheet, edit: Edit, typesetter: Typesetter): void {
  page.words('p4', page.box('p4', [1, 6], [1, 1]), [['kicker', 'AT THE BENCH']]);
  page.part('p4', page.box('p4', [1, 6], [3, 6]), 'the-spar-remembers-headline', 'headlineFeature');
  page.part('p4', page.box('p4', [1, 5], [9, 11]), 'the-spar-remembers-standfirst');
  page.part('p4', page.box('p4', [1, 4], [13, 13]), 'the-spar-remembers-byline');
  const body = 'the-spar-remembers-body';
  page.body('p4', page.box('p4', [1, 6], [15, 52]), body, 'a0', 3);
  page.body('p5', page.box('p5', [1, 6], [31, 52]), body, 'a1', 3);
  const { w, bleed } = page.size();
  const foot = page.box('p5', [1, 6], [1, 27]);
  page.picture('p5', { x: 0, y: -bleed, w: w + bleed, h: foot.y + foot.h + bleed }, 'fenn-bench.webp', FRAME, 'fill', {
    x: 0.42,
    y: 0.6,
  });
  page.caption('p5', { ...page.box('p5', [1, 4], [28, 29]), y: foot.y + foot.h + 6 }, 'fenn-bench.webp');
  page.credit('p5', 'fenn-bench.webp', w - 14, foot.y + foot.h - 6);
  // Between the second and the third column of text, so that each of them runs along one side of it.
  const spine = page.box('p4', [4, 4], [24, 46]);
  page.picture(
    'p4',
    { ...spine, x: spine.x + spine.w + mm(2.5) - mm(27), w: mm(54) },
    'fenn-kite-cutout.png',
    { mode: 'outline', standOff: mm(5), outline: 'alpha' },
    'fit',
  );
  quote(edit, typesetter, body, 'A kite is finished when it is broken');
}

/** Makes a pull quote of the sentence that begins with these words. */
function quote(edit: Edit, typesetter: Typesetter, text: string, beginning: string): void {
  const { body } = get(edit.document, 'text', text);
  const paragraph = paragraphsOf(body).findIndex((node) => plainText(node).includes(beginning));
  const from = plainText(paragraphsOf(body)[paragraph]!).indexOf(beginning);
  const to = plainText(paragraphsOf(body)[paragraph]!).indexOf('.', from) + 1;
  const diff = makeQuote(edit.document, { text, paragraph, from, to }, typesetter);
  for (const record of diff.added) edit.put(record);
}

function buildGusts(page: Sheet): void {
  const { w, bleed } = page.size();
  const top = page.box('p6', [1, 6], [1, 25]);
  page.picture(
    'p6',
    { x: -bleed, y: -bleed, w: 2 * w + 2 * bleed, h: top.y + top.h + bleed },
    'hollin-head-dusk.jpg',
    FRAME,
    'fill',
    { x: 0.5, y: 0.5 },
  );
  page.caption('p6', { ...page.box('p6', [1, 6], [26, 27]), y: top.y + top.h + 6 }, 'hollin-head-dusk.jpg');
  page.credit('p6', 'hollin-head-dusk.jpg', 6, top.y + top.h - 6);
  page.part('p6', page.box('p6', [1, 6], [29, 33]), 'what-the-gust-meter-heard-headline');
  page.part('p6', page.box('p6', [1, 2], [34, 40]), 'what-the-gust-meter-heard-standfirst');
  page.part('p6', page.box('p6', [1, 2], [45, 45]), 'what-the-gust-meter-heard-byline');
  const body = 'what-the-gust-meter-heard-body';
  page.body('p6', page.box('p6', [3, 6], [34, 52]), body, 'a0', 2);
  page.body('p7', page.box('p7', [1, 6], [28, 52]), body, 'a1', 3);
  const lantern = page.box('p7', [4, 5], [34, 50]);
  page.picture(
    'p7',
    { ...lantern, x: lantern.x - mm(11), w: mm(46) },
    'lantern.jpg',
    { mode: 'outline', standOff: mm(4), outline: 'background' },
    'fit',
  );
}

function buildBack(page: Sheet): void {
  const { w, h, bleed } = page.size();
  page.panel('p8', { x: -bleed, y: -bleed, w: w + bleed, h: h + 2 * bleed }, 'tint');
  page.words('p8', page.box('p8', [1, 6], [2, 2]), [['kicker', 'LAST PAGE']]);
  const story = 'two-hands-on-the-line';
  page.part('p8', page.box('p8', [1, 4], [4, 8]), `${story}-headline`, 'headlineFeature');
  page.part('p8', page.box('p8', [1, 4], [14, 16]), `${story}-standfirst`);
  page.part('p8', page.box('p8', [1, 4], [19, 19]), `${story}-byline`);
  page.body('p8', page.box('p8', [1, 4], [21, 31]), `${story}-body`, 'a0', 2);
  page.picture(
    'p8',
    page.box('p8', [3, 6], [24, 52]),
    'fenn-kite-cutout.png',
    { mode: 'outline', standOff: mm(6), outline: 'alpha' },
    'fit',
    { x: 1, y: 1 },
  );
  const bench = page.box('p8', [1, 2], [35, 35]);
  page.rule('p8', { ...bench, y: bench.y - 2 }, 'deep');
  page.words('p8', { ...bench, y: bench.y + 5 }, [['kicker', 'FROM THE BENCH']]);
  page.body('p8', page.box('p8', [1, 2], [37, 44]), 'from-the-bench-body', 'a1', 1, JUMPS);
  page.words('p8', page.box('p8', [1, 3], [47, 52]), [
    ['kicker', 'NEXT NUMBER'],
    ['contentsStory', 'The loft above the chandlery'],
    ['contentsNote', 'What a dry room does to a wet trade. No. 15, Spring, is out on the fifth of March.'],
  ]);
}
