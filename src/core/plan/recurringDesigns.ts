import type { Node } from 'prosemirror-model';
import { textContent } from '../records/frame';
import { growingText, NO_WRAP } from '../actions/frames';
import { layoutFor } from '../actions/slots';
import type { Box } from '../geometry/box';
import { mm } from '../length/length';
import { pageGrid, stretchBox } from '../page/grid';
import type { DocumentRecord, FormatRecord, FrameRecord, MasterRecord, PageRecord } from '../records/index';
import type { SlotTakes, TextContent, Wrap } from '../records/frame';
import { docOf, fieldOf, paragraphOf, textOf } from '../records/body';
import type { FieldName } from '../records/text';
import type { PublicationKind } from '../records/publicationKind';

/** Columns and lines from and to, both counted from 1. */
type Place = readonly [from: number, to: number, line: number, last: number];

const KEEP: Wrap = { mode: 'frame', standOff: mm(4), outline: 'shape' };

const field = (name: FieldName): Node => fieldOf({ name });
const paragraph = (style: string, ...content: readonly (Node | string)[]): Node =>
  paragraphOf(
    { style },
    content.map((each) => (typeof each === 'string' ? textOf(each) : each)),
  );

/** Lines of a contents list: the folio of each story, its name, and its standfirst under it where there is room. */
export const contentsLine = (style: string): Node =>
  paragraphOf({ style, each: 'story' }, [field('folio'), textOf('\t'), field('story')]);

/** A recurring page that is being laid out, on the grid of its master. */
class Layout {
  readonly records: DocumentRecord[] = [];
  readonly lines: number;
  readonly columns: number;
  readonly #grid: ReturnType<typeof pageGrid>;
  readonly #format: FormatRecord;
  readonly #master: MasterRecord;
  readonly #id: string;
  #n = 0;

  constructor(format: FormatRecord, master: MasterRecord, place: number, id: string, page: Pick<PageRecord, 'name' | 'recurs'>) {
    this.#format = format;
    this.#master = master;
    this.#id = id;
    this.#grid = pageGrid(format, master, place % 2 === 0 ? 'right' : 'left');
    this.lines = this.#grid.lines;
    this.columns = this.#grid.columns.length;
    this.records.push({ id, kind: 'page', order: `a${place}`, master: master.id, ...page });
  }

  box([from, to, line, last]: Place): Box {
    return stretchBox(this.#grid, { columns: [from, to], lines: [line, last] });
  }

  frame(content: FrameRecord['content'], box: Box, more: Partial<FrameRecord> = {}): void {
    const n = this.#n++;
    this.records.push({
      id: `${this.#id}-${n}`,
      kind: 'frame',
      on: this.#id,
      side: 'both',
      box,
      order: `a${String.fromCharCode(65 + n)}`,
      content,
      wrap: NO_WRAP,
      ...more,
    });
  }

  text(place: Place, paragraphs: readonly Node[], layout: Partial<TextContent> = {}, more: Partial<FrameRecord> = {}): void {
    const text = `${this.#id}-text-${this.#n}`;
    this.records.push({ id: text, kind: 'text', role: 'furniture', body: docOf(paragraphs) });
    this.frame(
      layout.grows === false || layout.columns ? textContent(text, 'a0', layout) : { ...growingText(text), ...layout },
      this.box(place),
      more,
    );
  }

  /** The publication's name, as large as its place lets it be, in one line or two. */
  nameplate(place: Place): void {
    this.text(place, [paragraph('nameplate', field('publication'))], {
      fitsWidth: true,
      grows: false,
      ignoresWraps: true,
      firstBaseline: 'capHeight',
      align: 'centre',
    });
  }

  slot(set: string, name: string, takes: SlotTakes, place: Place): void {
    const columns = Math.max(1, Math.floor((place[1] - place[0] + 1) / this.#master.textSpan));
    const layout = layoutFor(takes, columns, this.#master.gutter);
    const order = `a${String.fromCharCode(65 + this.#n)}`;
    this.frame({ type: 'slot', takes, set: `${this.#id}-${set}`, name, order, layout }, this.box(place));
  }

  /** Headline, and under it text: the slots of one story. */
  story(set: string, name: string, [from, to, line, last]: Place, headlineLines: number): void {
    this.slot(set, name, 'headline', [from, to, line, line + headlineLines - 1]);
    this.slot(set, name, 'body', [from, to, line + headlineLines, last]);
  }

  picture(place: Place | 'bleed'): void {
    const { width, height, bleed } = this.#format;
    const box = place === 'bleed' ? { x: -bleed, y: -bleed, w: width + 2 * bleed, h: height + 2 * bleed } : this.box(place);
    this.frame({ type: 'picture', fit: 'fill' }, box, place === 'bleed' ? {} : { wrap: KEEP });
  }

  rule([from, to, line]: readonly [number, number, number]): void {
    const box = this.box([from, to, line, line]);
    this.frame({ type: 'rule', weight: 0.75 }, { ...box, h: 0.75 }, { fill: { swatch: 'ink', tint: 1 } });
  }

  panel(place: Place, swatch = 'tint'): void {
    this.frame({ type: 'panel' }, this.box(place), { fill: { swatch, tint: 1 } });
  }

  advertisement(place: Place): void {
    this.frame({ type: 'advertisement' }, this.box(place), { wrap: KEEP });
  }
}

/** The recurring pages that a design of a kind begins with, in the order of the house. */
export function recurringDesign(
  kind: PublicationKind,
  format: FormatRecord,
  text: MasterRecord,
  plain: MasterRecord,
): DocumentRecord[] {
  const pages: Layout[] = [];
  const page = (id: string, name: string, recurs: PageRecord['recurs'], master: MasterRecord) => {
    // Records of all kinds share one space of ids: a page “contents” must not be the style of that name.
    const layout = new Layout(format, master, pages.length, `page-${id}`, { name, ...(recurs ? { recurs } : {}) });
    pages.push(layout);
    return layout;
  };
  DESIGNS[kind](page, text, plain);
  return pages.flatMap(({ records }) => records);
}

type Put = (id: string, name: string, recurs: PageRecord['recurs'], master: MasterRecord) => Layout;

/** A line of words in the middle between two rules. */
const BETWEEN_RULES = { grows: false, align: 'centre', firstBaseline: 'capHeight' } as const;

const issueLine = (style = 'issueLine') =>
  paragraph(style, 'No. ', field('number'), '   ', field('season'), '   ', field('price'));
const imprint = [
  paragraph('imprintHead', field('publication')),
  paragraph('imprint', field('strapline')),
  paragraph('imprint', field('publisher')),
  paragraph('imprint', field('address')),
  paragraph('imprint', field('contact')),
  paragraph('imprint', field('staff')),
];

const DESIGNS: Readonly<Record<PublicationKind, (page: Put, text: MasterRecord, plain: MasterRecord) => void>> = {
  magazine(page, text, plain) {
    const cover = page('cover', 'Cover', 'front', plain);
    const n = cover.columns;
    const end = cover.lines;
    cover.picture('bleed');
    cover.text([1, n, 1, 1], [issueLine('issueLine')]);
    cover.nameplate([1, n, 3, 12]);
    cover.slot('cover', 'Cover story', 'headline', [1, n - 1, end - 11, end - 5]);
    cover.slot('cover', 'Cover story', 'standfirst', [1, n - 2, end - 4, end]);
    const contents = page('contents', 'Contents', 'front', text);
    contents.text([1, n, 1, 5], [paragraph('headline', 'In this issue')]);
    contents.rule([1, n, 6]);
    contents.text([1, 4, 7, end - 12], [contentsLine('contents')], { grows: false });
    contents.picture([5, n, 7, end - 12]);
    contents.panel([1, n, end - 9, end]);
    contents.text([1, n, end - 9, end], imprint, { columns: 3, gutter: text.gutter, inset: 9 });
    const letters = page('letters', 'Letters', undefined, text);
    letters.text([1, n, 1, 5], [paragraph('headline', 'Letters')]);
    letters.rule([1, n, 6]);
    letters.slot('letters', 'Letters', 'body', [1, n, 7, Math.floor(end / 2) - 1]);
    letters.slot('letters', 'Letters', 'body', [1, n / 2, Math.floor(end / 2), end]);
    letters.advertisement([n / 2 + 1, n, Math.ceil(end / 2) + 1, end]);
    const news = page('news', 'News', undefined, text);
    news.text([1, n, 1, 4], [paragraph('headline', 'News')]);
    news.rule([1, n, 5]);
    news.story('one', 'First item', [1, 4, 6, 30], 6);
    news.picture([5, n, 6, 18]);
    news.story('two', 'Second item', [5, n, 20, end], 9);
    news.story('three', 'Third item', [1, 4, 32, end], 6);
    const back = page('back', 'Back page', 'back', plain);
    back.advertisement([1, n, 1, end]);
  },
  newsletter(page, text, plain) {
    const front = page('front', 'Front page', 'front', plain);
    const n = front.columns;
    const end = front.lines;
    front.nameplate([1, n, 1, 6]);
    front.rule([1, n, 8]);
    front.text(
      [1, n, 8, 9],
      [paragraph('issueLine', field('strapline'), '   No. ', field('number'), ', ', field('season'))],
      BETWEEN_RULES,
    );
    front.rule([1, n, 10]);
    front.slot('lead', 'Lead story', 'headline', [1, n - 1, 11, 15]);
    front.slot('lead', 'Lead story', 'standfirst', [1, n - 1, 16, 18]);
    front.slot('lead', 'Lead story', 'body', [1, n - 1, 20, end - 16]);
    front.picture([1, n - 1, end - 14, end]);
    front.panel([n, n, 11, end]);
    front.text([n, n, 11, end], [paragraph('crosshead', 'Inside'), contentsLine('contents')], { grows: false, inset: 8 });
    const notices = page('notices', 'Notices', undefined, text);
    notices.text([1, n, 1, 4], [paragraph('headline', 'Notices')]);
    notices.rule([1, n, 5]);
    notices.slot('notices', 'Notices', 'body', [1, n, 6, end]);
    const letters = page('letters', 'Letters', undefined, text);
    letters.text([1, n, 1, 4], [paragraph('headline', 'Letters')]);
    letters.rule([1, n, 5]);
    letters.slot('letters', 'Letters', 'body', [1, n - 1, 6, end]);
    letters.advertisement([n, n, 6, Math.floor(end / 2)]);
    const back = page('back', 'Back page', 'back', plain);
    back.text([1, n, 1, 4], [paragraph('headline', 'Dates')]);
    back.rule([1, n, 5]);
    back.slot('dates', 'Dates', 'body', [1, n - 1, 6, end - 14]);
    back.picture([n, n, 6, end - 14]);
    back.panel([1, n, end - 11, end]);
    back.text([1, n, end - 11, end], imprint, { columns: 2, gutter: text.gutter, inset: 10 });
  },
  newspaper(page, text, plain) {
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
    letters.text([1, n, 1, 5], [paragraph('headline', 'Letters')]);
    letters.rule([1, n, 6]);
    letters.slot('letters', 'Letters', 'body', [1, n - 2, 7, end]);
    letters.picture([n - 1, n, 7, 30]);
    letters.advertisement([n - 1, n, 32, end]);
    const back = page('back', 'Back page', 'back', text);
    back.story('lead', 'Sport', [1, n - 2, 1, end - 34], 7);
    back.story('second', 'Results', [n - 1, n, 1, end - 34], 7);
    back.advertisement([1, n, end - 32, end]);
  },
};
