import { bookAdvertisement } from '@/core/actions/advertisements';
import { Edit } from '@/core/actions/edit';
import { putCaptions } from '@/core/actions/captions';
import { generateKeyBetween } from 'fractional-indexing';
import type { Node } from 'prosemirror-model';
import { putChart } from '@/core/actions/charts';
import { growingText, NO_WRAP, placeFrames, putFrame } from '@/core/actions/frames';
import { fillFrame, usualWrap } from '@/core/actions/pictures';
import { makeQuote } from '@/core/actions/quotes';
import { fillSlots } from '@/core/actions/slots';
import { placeStory, putStory } from '@/core/actions/stories';
import type { Typesetter } from '@/core/actions/typesetter';
import type { Box, Point } from '@/core/geometry/box';
import { mm } from '@/core/length/length';
import { partOf } from '@/core/compose/measure/part';
import { pageGrid, stretchBox } from '@/core/page/grid';
import { formatOf, placedPages, type PlacedPage } from '@/core/page/pages';
import { slotsOn } from '@/core/page/slots';
import { docOf, mapParagraphs, paragraphOf, paragraphsOf, plainParagraphs, plainText } from '@/core/records/body';
import { documentOf, framesOn, get, threadOf, type Document } from '@/core/records/document';
import type { AdvertisementSize } from '@/core/records/advertisement';
import type { Chart } from '@/core/records/chart';
import { type AdvertisementContent, type RuleContent, textContent, type TextContent, type Wrap } from '@/core/records/frame';
import type { DocumentRecord, FrameRecord, PictureRecord, TextRecord } from '@/core/records/index';
import type { ParagraphAttrs } from '@/core/records/text';
import { said } from '@/core/records/said';
import type { StoryState } from '@/core/records/story';
import { type NewIssue, startIssue } from '@/core/plan/startIssue';
import { readStory } from './stories';
import { table } from './tables';

export type ReadPictures = ReadonlyMap<string, Omit<PictureRecord, 'kind' | 'id' | 'order'>>;

/** Columns and lines from and to, both counted from 1. */
type Stretch = readonly [from: number, to: number];

/** How a picture is put on a page: its crop and its wrap. */
interface Hanging {
  readonly fit?: 'fill' | 'fit';
  readonly focus?: Point;
  readonly wrap?: Wrap;
}

/** Over which columns an opening stands, and how its headline is set. */
interface Opening {
  readonly headline: Stretch;
  readonly style?: string;
  /** Columns of the standfirst and the byline. */
  readonly rest: Stretch;
  readonly byline?: boolean;
}

/** How a story stands in its stretch: columns of its text, a picture over its width and how many lines deep that is. */
interface Article {
  readonly across: number;
  readonly picture?: string;
  readonly deep?: number;
  readonly style?: string;
}

/** What an advertisement is sold by, where it is not of a usual size: grid columns and lines. */
interface Sold {
  readonly columns?: number;
  readonly lines?: number;
}

export const CLOSE: Wrap = { mode: 'frame', standOff: 0, outline: 'alpha' };
export const KEPT: Wrap = { mode: 'frame', standOff: mm(4), outline: 'shape' };
export const OUTLINED: Wrap = { mode: 'outline', standOff: mm(5), outline: 'alpha' };

const orderAfterThread = (frames: readonly FrameRecord[]): string =>
  generateKeyBetween(
    frames.reduce<string | null>(
      (last, { content }) => (content.type === 'text' && (last === null || content.order > last) ? content.order : last),
      null,
    ),
    null,
  );

/** The ragged style in the place of a justified one. */
const RAGGED_STYLES: Readonly<Record<string, string>> = {
  body: 'bodyRagged',
  bodyFirst: 'bodyRaggedFirst',
  bodyOpening: 'bodyRaggedOpening',
};

/** An issue that begins from its house, as of the house’s first state. */
export const begun = (house: readonly DocumentRecord[], order: Omit<NewIssue, 'language' | 'houseSeq'>): Document =>
  documentOf(startIssue(house, { ...order, language: 'en-GB', houseSeq: 0 }));

/** An issue of the demo being laid out, page by page, in grid terms. */
export class Pages {
  readonly edit: Edit;
  readonly #typesetter: Typesetter;
  readonly #pictures: ReadPictures;
  readonly #folder: string;
  #count = 0;

  constructor(issue: Document, typesetter: Typesetter, pictures: ReadPictures, folder: string) {
    this.edit = new Edit(issue);
    this.#typesetter = typesetter;
    this.#pictures = pictures;
    this.#folder = folder;
  }

  page(number: number): PlacedPage {
    return placedPages(this.edit.document)[number - 1]!;
  }

  box(number: number, columns: Stretch, lines: Stretch): Box {
    const at = this.page(number);
    return stretchBox(pageGrid(formatOf(this.edit.document), at.master, at.side), { columns, lines });
  }

  /** Brings a story in, with where it stands. */
  async story(id: string, file: string, section: string, state: StoryState, due: string): Promise<void> {
    const own = putStory(this.edit, await readStory(`${this.#folder}/${file}.md`, section), id);
    const words = paragraphsOf(get(this.edit.document, 'text', own.parts.body).body)
      .map((each) => plainText(each).split(/\s+/).length)
      .reduce((sum, each) => sum + each, 0);
    this.edit.put(said({ ...own, state, due, target: Math.round(words / 50) * 50 }));
  }

  /** @param across columns of text over the stretch, where they are not those of the grid */
  place(id: string, number: number, columns: Stretch, lines: Stretch, balanced = false, across?: number): void {
    const page = this.page(number).page.id;
    const box = this.box(number, columns, lines);
    this.edit.take(placeStory(this.edit.document, { story: id, page, box, allPages: false }, this.#typesetter));
    if (across !== undefined) this.inColumns(id, across);
    if (balanced) this.balance(id);
  }

  /** Sets the last frame of a story in so many columns. */
  inColumns(id: string, columns: number): void {
    this.#setLast(id, { columns });
  }

  /** Ends the columns of a story's last frame at one height. */
  balance(id: string): void {
    this.#setLast(id, { balanced: true });
  }

  #setLast(id: string, layout: Partial<TextContent>): void {
    const frame = threadOf(this.edit.document, this.#body(id).id).at(-1)!;
    if (frame.content.type === 'text') this.edit.put({ ...frame, content: { ...frame.content, ...layout } });
  }

  #body(id: string): TextRecord {
    return get(this.edit.document, 'text', get(this.edit.document, 'story', id).parts.body);
  }

  fill(id: string, number: number, slots: string): void {
    const page = this.page(number);
    const slot = slotsOn(this.edit.document, page).find(({ content }) => content.name === slots)!;
    this.edit.take(fillSlots(this.edit.document, { story: id, page: page.page.id, set: slot.content.set }, this.#typesetter));
  }

  /** The picture of a file, brought in when it is first asked for. */
  picture(file: string): string {
    const id = file.replace(/\W/g, '-');
    if (this.edit.has(id)) return id;
    const read = this.#pictures.get(file);
    if (!read) throw new Error(`The demo has no picture “${file}”.`);
    this.edit.put<PictureRecord>({ ...read, id, kind: 'picture', order: `a${id}` });
    return id;
  }

  /** The whole of a page with its bleed, or of the spread it begins. */
  sheet(number: number, spread = false): Box {
    const { width, height, bleed } = formatOf(this.edit.document);
    const isLeft = this.page(number).side === 'left';
    const [before, after] = spread ? [bleed, bleed] : isLeft ? [bleed, 0] : [0, bleed];
    const pages = placedPages(this.edit.document).length;
    // The first page and the last, where it is a left one, have nothing beside them.
    const left = number === 1 ? bleed : before;
    const right = number === pages ? bleed : after;
    return { x: -left, y: -bleed, w: (spread ? 2 : 1) * width + left + right, h: height + 2 * bleed };
  }

  /** Puts a part of a story on a page, as high as its words; gives the y of its foot. */
  part(id: string, part: 'headline' | 'standfirst' | 'byline', number: number, at: Box, style?: string): number {
    const text = get(this.edit.document, 'story', id).parts[part];
    if (text === undefined) throw new Error(`“${id}” has no ${part}.`);
    if (style !== undefined) this.restyle(text, style, () => true);
    return this.#grown(number, at, growingText(text), CLOSE);
  }

  /**
   * Opens a story: its headline, standfirst and byline one under the other, each on a line of the grid; gives the first line that is free
   * beneath them.
   */
  opening(id: string, number: number, line: number, { headline, style, rest, byline = true }: Opening): number {
    const { parts } = get(this.edit.document, 'story', id);
    let next = line;
    const put = (part: 'headline' | 'standfirst' | 'byline', columns: Stretch, gap: number, own?: string) => {
      const foot = this.part(id, part, number, this.box(number, columns, [next, next]), own);
      next = this.#lineUnder(number, foot) + gap;
    };
    put('headline', headline, 1, style);
    if (parts.standfirst !== undefined) put('standfirst', rest, 1);
    if (parts.byline !== undefined && byline) put('byline', rest, 1);
    return next;
  }

  /** A story in a stretch: its opening, a picture over its width where there is one, and its text in columns beneath. */
  article(
    id: string,
    number: number,
    columns: Stretch,
    [first, last]: Stretch,
    { across, picture, deep = 0, style }: Article,
  ): void {
    let line = this.opening(id, number, first, { headline: columns, rest: columns, ...(style ? { style } : {}) });
    if (picture !== undefined) {
      this.show(picture, number, columns, [line, line + deep - 1]);
      line += deep + 2;
    }
    this.run(id, number, columns, [line, last], across, { balanced: true });
  }

  /** Gives the frames of a stretch another. */
  move(number: number, from: readonly [Stretch, Stretch], to: readonly [Stretch, Stretch]): void {
    const [was, box] = [this.box(number, ...from), this.box(number, ...to)];
    for (const frame of framesOn(this.edit.document, this.page(number).page.id))
      if (Math.abs(frame.box.x - was.x) < 1 && Math.abs(frame.box.y - was.y) < 1) this.edit.put({ ...frame, box });
  }

  /** The first line of a page that begins below a height. */
  #lineUnder(number: number, y: number): number {
    const { step } = formatOf(this.edit.document).baseline;
    return Math.ceil((y - this.box(number, [1, 1], [1, 1]).y - 2) / step) + 1;
  }

  /** A frame as high as its words; gives the y of its foot. */
  #grown(number: number, box: Box, content: TextContent, wrap: Wrap, more: Partial<FrameRecord> = {}): number {
    const frame = putFrame(this.edit, this.page(number).page.id, box, content, wrap, more);
    const grown = this.#typesetter.compose(partOf(this.edit.document, [this.page(number).page.id])).grown.get(frame.id) ?? box;
    this.edit.put({ ...frame, box: grown });
    return grown.y + grown.h;
  }

  /** Gives paragraphs of a text a style, those that are meant by their words or their place. */
  restyle(text: string, style: string, which: (words: string, index: number) => boolean): void {
    const record = get(this.edit.document, 'text', text);
    const body = mapParagraphs(record.body, (node, i) =>
      which(plainText(node), i) ? paragraphOf({ ...(node.attrs as ParagraphAttrs), style }, node.content) : node,
    );
    this.edit.put({ ...record, body });
  }

  /** Sets the running text of a story ragged. */
  ragged(text: string): void {
    const record = get(this.edit.document, 'text', text);
    const body = mapParagraphs(record.body, (node) => {
      const attrs = node.attrs as ParagraphAttrs;
      const ragged = RAGGED_STYLES[attrs.style ?? ''];
      return ragged === undefined ? node : paragraphOf({ ...attrs, style: ragged }, node.content);
    });
    this.edit.put({ ...record, body });
  }

  /** Takes the first table out of a story’s body, to stand on its own. */
  tableOf(id: string): Node {
    const record = this.#body(id);
    const blocks = record.body.content.content;
    const table = blocks.find(({ type }) => type.name === 'table');
    if (!table) throw new Error(`“${id}” has no table.`);
    this.edit.put({ ...record, body: docOf(blocks.filter((block) => block !== table)) });
    return table;
  }

  /** Takes a paragraph out of a story’s body. */
  without(id: string, words: string): void {
    const record = this.#body(id);
    this.edit.put({ ...record, body: docOf(record.body.content.content.filter((block) => block.textContent !== words)) });
  }

  /** A table of copy in the house’s styles for tables: words in its first column, figures behind it. */
  tableStyled(from: Node, first = 2.2): Node {
    const rows = from.content.content.map((row) => row.content.content.map((cell) => cell.textContent));
    const [head = [], ...rest] = rows;
    return table([first, ...head.slice(1).map(() => 1)], 1, head, rest);
  }

  /** Runs the body of a story on through a frame. */
  run(
    id: string,
    number: number,
    columns: Stretch,
    lines: Stretch,
    textColumns: number,
    more: Partial<TextContent> = {},
  ): FrameRecord {
    const { id: text } = this.#body(id);
    const { gutter } = this.page(number).master;
    const content = textContent(text, orderAfterThread(threadOf(this.edit.document, text)), {
      columns: textColumns,
      gutter,
      ...more,
    });
    return putFrame(this.edit, this.page(number).page.id, this.box(number, columns, lines), content, NO_WRAP);
  }

  /** Words of the page’s own, in paragraphs of given styles. */
  words(
    number: number,
    at: Box,
    paragraphs: readonly (readonly [style: string, words: string])[],
    more: Partial<TextContent> = {},
  ): void {
    const content = paragraphs.flatMap(([style, words]) => plainParagraphs(style, words));
    this.blocks(number, at, content, more);
  }

  /** The same, block by block: as high as they are, or as the box where it is said not to grow. */
  blocks(number: number, at: Box, content: readonly Node[], more: Partial<TextContent> = {}): void {
    const text = this.edit.put<TextRecord>({
      id: `words-${++this.#count}`,
      kind: 'text',
      role: 'furniture',
      body: docOf(content),
    });
    if (more.grows === false) putFrame(this.edit, this.page(number).page.id, at, textContent(text.id, 'a0', more), NO_WRAP);
    else this.#grown(number, at, { ...growingText(text.id), ...more }, NO_WRAP);
  }

  /** Puts a picture where it is said to stand; its words are put by `captioned`. */
  hang(file: string, number: number, at: Box, { fit, focus, wrap = NO_WRAP }: Hanging = {}): FrameRecord {
    const id = this.picture(file);
    const picture = get(this.edit.document, 'picture', id);
    if (focus) this.edit.put({ ...picture, focus });
    const own = fit ?? (picture.outlines.alpha ? 'fit' : 'fill');
    return putFrame(this.edit, this.page(number).page.id, at, { type: 'picture', picture: id, fit: own }, wrap);
  }

  /** Words of a picture as a text, and what ties the frame they stand in to it: nothing ties them over two pages. */
  #wordsOf(frame: FrameRecord, number: number, at: Box, role: 'caption' | 'credit', style: string, words?: string) {
    if (frame.content.type !== 'picture') throw new Error('Only a picture has a caption.');
    const picture = get(this.edit.document, 'picture', frame.content.picture!);
    const said = words ?? (role === 'caption' ? picture.caption : picture.credit.toUpperCase());
    const text = this.edit.put<TextRecord>({
      id: `words-${++this.#count}`,
      kind: 'text',
      role,
      picture: picture.id,
      body: docOf(plainParagraphs(style, said)),
    });
    if (frame.on !== this.page(number).page.id) return { text: text.id, tied: {} };
    const [dx, dy] = [at.x - frame.box.x, at.y - frame.box.y - frame.box.h];
    return { text: text.id, tied: { beside: { frame: frame.id, place: 'own', gap: 6, width: mm(40), dx, dy } as const } };
  }

  /** Sets the caption of a picture in a place of its own. */
  captioned(
    frame: FrameRecord,
    number: number,
    at: Box,
    { style = 'caption', words }: { style?: string; words?: string } = {},
  ): void {
    const { text, tied } = this.#wordsOf(frame, number, at, 'caption', style, words);
    this.#grown(number, at, growingText(text), CLOSE, tied);
  }

  /** A credit that runs up an edge of its picture, `foot` being where it begins. */
  credited(frame: FrameRecord, number: number, x: number, foot: number, style = 'creditTurned'): void {
    const h = 190;
    const at = { x, y: foot - h, w: 9, h };
    const { text, tied } = this.#wordsOf(frame, number, at, 'credit', style);
    const content: TextContent = { ...textContent(text), turns: 3, ignoresWraps: true };
    putFrame(this.edit, this.page(number).page.id, at, content, NO_WRAP, tied);
  }

  /** An area of a colour of the house. */
  area(number: number, at: Box, swatch: string, tint = 1, wrap: Wrap = NO_WRAP): void {
    putFrame(this.edit, this.page(number).page.id, at, { type: 'panel' }, wrap, { fill: { swatch, tint } });
  }

  /** An area of a colour that grows fainter towards the head or the foot of a page, for words on a picture. */
  shade(number: number, at: Box, swatch: string, opacity: number, towards: 'head' | 'foot' = 'head'): void {
    putFrame(this.edit, this.page(number).page.id, at, { type: 'panel' }, NO_WRAP, {
      fill: { swatch, tint: 1, opacity },
      fade: { from: { x: 0.5, y: 0.5 }, to: { x: 0.5, y: towards === 'head' ? 0 : 1 } },
    });
  }

  /** A rule: as thick as it is said, or a row of kites. */
  rule(number: number, at: Box, swatch: string, line: number | 'kites' = 0.5): void {
    const weight = line === 'kites' ? 5 : line;
    const content: RuleContent = { type: 'rule', weight, ...(line === 'kites' ? { line } : {}) };
    putFrame(this.edit, this.page(number).page.id, { ...at, h: weight }, content, NO_WRAP, { fill: { swatch, tint: 1 } });
  }

  chart(number: number, at: Box, chart: Chart): void {
    this.edit.take(putChart(this.edit.document, this.page(number).page.id, at, chart));
  }

  /** Puts a picture on a page, with its caption beneath. */
  show(file: string, number: number, columns: Stretch, lines: Stretch): void {
    const id = this.picture(file);
    const picture = get(this.edit.document, 'picture', id);
    const usual = usualWrap(picture);
    if (picture.outlines.alpha) {
      this.hang(file, number, this.box(number, columns, lines), { wrap: usual });
      return;
    }
    const wrap = { ...usual, standOff: { top: mm(3), right: mm(4), bottom: mm(1), left: mm(4) } };
    putCaptions(this.edit, this.hang(file, number, this.box(number, columns, lines), { wrap }).id);
  }

  /** Fills the picture frame that waits on a page. */
  fillPicture(file: string, number: number): void {
    const waiting = framesOn(this.edit.document, this.page(number).page.id).find(
      ({ content }) => content.type === 'picture' && content.picture === undefined,
    )!;
    const picture = this.picture(file);
    this.edit.take(fillFrame(this.edit.document, { frame: waiting.id, picture }, this.#typesetter));
  }

  /** A booked advertisement over the whole of a page, into the bleed. */
  wholePage(name: string, artwork: string, number: number): void {
    this.#book(name, artwork, 'full', number, this.sheet(number));
  }

  /** Books an advertisement one column wide: in a place that waits for one there, or in one of its own. */
  column(name: string, artwork: string, number: number, column: number, [from, to]: Stretch): void {
    const box = this.box(number, [column, column], [from, to]);
    for (const { id, content } of framesOn(this.edit.document, this.page(number).page.id))
      if (content.type === 'advertisement' && content.advertisement === undefined) this.edit.remove(id);
    this.#book(name, artwork, 'column', number, box, { lines: to - from + 1 });
  }

  /** Books an advertisement with its artwork; gives what stands for it in a frame. */
  #booked(name: string, artwork: string, size: AdvertisementSize, by: Sold = {}): AdvertisementContent {
    const picture = this.picture(artwork);
    const before = new Set(this.edit.document.records.keys());
    this.edit.take(bookAdvertisement(this.edit.document, { name, size, ...by, picture }));
    return { type: 'advertisement', advertisement: [...this.edit.document.records.keys()].find((id) => !before.has(id))! };
  }

  #book(name: string, artwork: string, size: AdvertisementSize, number: number, at: Box, by?: Sold): void {
    const content = this.#booked(name, artwork, size, by);
    putFrame(this.edit, this.page(number).page.id, at, content, KEPT);
  }

  /** Books an advertisement of a usual size and gives it a place. */
  book(name: string, artwork: string, size: AdvertisementSize, number: number, columns: Stretch, lines: Stretch): void {
    this.#book(name, artwork, size, number, this.box(number, columns, lines));
  }

  /** Books an advertisement by the columns and lines of its place. */
  bookByLines(name: string, artwork: string, number: number, columns: Stretch, lines: Stretch): void {
    const by = { columns: columns[1] - columns[0] + 1, lines: lines[1] - lines[0] + 1 };
    this.#book(name, artwork, 'column', number, this.box(number, columns, lines), by);
  }

  /** Books an advertisement for the place that waits for one on a page. */
  advertise(name: string, artwork: string, number: number, by?: Sold): void {
    const waiting = framesOn(this.edit.document, this.page(number).page.id).find(
      ({ content }) => content.type === 'advertisement' && content.advertisement === undefined,
    )!;
    this.edit.put({ ...waiting, content: this.#booked(name, artwork, by ? 'column' : 'quarter', by) });
  }

  /** Gives the body of a story in slots, and the picture over or under it, other lines. */
  moveParts(id: string, file: string, number: number, columns: Stretch, lines: { body: Stretch; picture: Stretch }): void {
    const { parts } = get(this.edit.document, 'story', id);
    const body = threadOf(this.edit.document, parts.body)[0]!;
    const picture = file.replace(/\W/g, '-');
    const frame = framesOn(this.edit.document, this.page(number).page.id).find(
      ({ content }) => content.type === 'picture' && content.picture === picture,
    )!;
    this.edit.put({ ...body, box: this.box(number, columns, lines.body) });
    const box = this.box(number, columns, lines.picture);
    // Its caption goes with it.
    this.edit.take(placeFrames(this.edit.document, new Map([[frame.id, { on: frame.on, box }]])));
  }

  /** Puts paragraphs behind the standing text of a page that holds some of a style. */
  tell(number: number, style: string, paragraphs: readonly (readonly [style: string, words: string])[]): void {
    for (const { content } of framesOn(this.edit.document, this.page(number).page.id)) {
      const text = content.type === 'text' ? get(this.edit.document, 'text', content.text) : undefined;
      if (!text || !paragraphsOf(text.body).some(({ attrs }) => attrs.style === style)) continue;
      const more = paragraphs.flatMap(([own, words]) => plainParagraphs(own, words));
      this.edit.put({ ...text, body: docOf([...text.body.content.content, ...more]) });
    }
  }

  /** Pulls a sentence out of a story, by how it begins. */
  quote(id: string, begins: string): void {
    const { parts } = get(this.edit.document, 'story', id);
    const list = paragraphsOf(get(this.edit.document, 'text', parts.body).body);
    list.forEach((each, paragraph) => {
      const text = plainText(each);
      const from = text.indexOf(begins);
      if (from < 0) return;
      const end = /[.!?][’”]?(?=\s|$)/.exec(text.slice(from));
      const to = end ? from + end.index + end[0].length : text.length;
      this.edit.take(makeQuote(this.edit.document, { text: parts.body, paragraph, from, to }, this.#typesetter));
    });
  }
}
