import type { Node } from 'prosemirror-model';
import { growingText, NO_WRAP } from '../../actions/frames';
import { layoutFor } from '../../actions/slots';
import type { Box } from '../../geometry/box';
import { mm } from '../../length/length';
import { pageGrid, stretchBox } from '../../page/grid';
import { docOf, fieldOf, paragraphOf, textOf } from '../../records/body';
import { textContent } from '../../records/frame';
import type { SlotTakes, TextContent, Wrap } from '../../records/frame';
import type { DocumentRecord, FormatRecord, FrameRecord, MasterRecord, PageRecord } from '../../records/index';
import type { FieldName } from '../../records/text';

/** Columns and lines from and to, both counted from 1. */
type Place = readonly [from: number, to: number, line: number, last: number];

const KEEP: Wrap = { mode: 'frame', standOff: mm(4), outline: 'shape' };

export const field = (name: FieldName): Node => fieldOf({ name });
export const paragraph = (style: string, ...content: readonly (Node | string)[]): Node =>
  paragraphOf(
    { style },
    content.map((each) => (typeof each === 'string' ? textOf(each) : each)),
  );

/** Lines of a contents list: the folio of each story, its name, and its standfirst under it where there is room. */
export const contentsLine = (style: string): Node =>
  paragraphOf({ style, each: 'story' }, [field('folio'), textOf('\t'), field('story')]);

/** A recurring page that is being laid out, on the grid of its master. */
export class Layout {
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

  /** A heading of the page’s own over so many lines, and a rule beneath it. */
  head(words: string, lines: number, from = 1): void {
    this.text([from, this.columns, 1, lines], [paragraph('headline', words)]);
    this.rule([from, this.columns, lines + 1]);
  }

  /** A line in small type over something. */
  kicker(place: Place, words: string): void {
    this.text(place, [paragraph('kicker', words)]);
  }

  /** A picture from a place to the edges of the paper beside it. */
  bleeding(
    place: Place,
    edges: { readonly left?: boolean; readonly right?: boolean; readonly top?: boolean; readonly bottom?: boolean },
  ): void {
    const { width, height, bleed } = this.#format;
    const box = this.box(place);
    const [left, top] = [edges.left ? -bleed : box.x, edges.top ? -bleed : box.y];
    const right = edges.right ? width + bleed : box.x + box.w;
    const foot = edges.bottom ? height + bleed : box.y + box.h;
    this.frame({ type: 'picture', fit: 'fill' }, { x: left, y: top, w: right - left, h: foot - top }, { wrap: KEEP });
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

/** A line of words in the middle between two rules. */
export const BETWEEN_RULES = { grows: false, align: 'centre', firstBaseline: 'capHeight' } as const;

export const issueLine = (style = 'issueLine') =>
  paragraph(style, 'No. ', field('number'), '   ', field('season'), '   ', field('price'));
export const imprint = [
  paragraph('imprintHead', field('publication')),
  paragraph('imprint', field('strapline')),
  paragraph('imprint', field('publisher')),
  paragraph('imprint', field('address')),
  paragraph('imprint', field('contact')),
  paragraph('imprint', field('staff')),
];
