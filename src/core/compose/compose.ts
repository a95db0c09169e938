import type { Node } from 'prosemirror-model';
import type { Box } from '../geometry/box';
import { type FieldPlace, fieldValue } from '../page/fields';
import { formatOf } from '../page/pages';
import { type Document, all, find } from '../records/document';
import type { PictureRecord, TextRecord } from '../records/index';
import { fieldsOf } from '../records/body';
import { sidesOf, type TextContent } from '../records/frame';
import type { ParagraphProperties } from '../records/paragraphStyle';
import { spoken } from '../records/language';
import { same } from '../records/same';
import type { CellAttrs, FigureAttrs, ParagraphAttrs, TableAttrs } from '../records/text';
import { FaceError } from '../type/face';
import { Hyphenation } from '../type/hyphenation';
import type { Shaper } from '../type/shaper';
import { PLAIN, type StyleSheet, styleSheet } from '../type/styles';
import { type Around, Surroundings } from './around';
import { fillBands } from './bands';
import type { Situation } from './characters';
import { Inks } from './colours';
import { writtenOut } from './contents';
import { runsRightToLeft } from './direction';
import type { Column } from './column';
import type { PageList, TextItem } from './displayList';
import { fill, type Fillable, type Filled, type Shared } from './fill';
import { counted, type Counts, type Fit, fitOf } from './fit';
import { itemsOf, type SetColumns } from './items';
import { Looks } from './looks';
import { PageLists } from './pageLists';
import { prepare, type Setting } from './prepare';
import { PLAIN_BREAK, type Prepared } from './prepared';
import { type Shown, Showing, type ShownFrames, type Thread } from './shown';
import { arrangedCells, type PreparedTable } from './table';
import { Columns, NOTHING_RESERVED, type Reserved } from './threads';
import { movedLine } from './place';

/** What composing gives: a display list a page, and how every text fits. */
export interface Composed {
  readonly pages: readonly PageList[];
  /** By text id, for every text that has a frame. */
  readonly fits: ReadonlyMap<string, Fit>;
  /** Boxes of the frames that grow with their text, by frame id. */
  readonly grown: ReadonlyMap<string, Box>;
}

/** What is remembered of a set text, to take over what did not change. */
interface SetText {
  readonly list: readonly Fillable[];
  readonly filled: Filled;
  readonly set: SetColumns;
  readonly items: ReadonlyMap<string, readonly TextItem[]>;
  readonly counts: Counts;
  readonly fit: Fit;
}

/** A text's blocks made ready for filling, by what; and which of them was its story's last paragraph, −1 where none is. */
interface MadeReady {
  readonly by: readonly unknown[];
  readonly content: readonly Node[];
  readonly last: number;
  readonly list: readonly Fillable[];
  /** Paragraphs in it reach over several columns. */
  readonly spans: boolean;
  /** How much of an earlier list is in it. */
  readonly shared: Shared | undefined;
}

/** Times a text is filled anew because a field or a jump line changed with the layout, before it is taken as it is. */
const MOST_PASSES = 6;

/** Situations that a paragraph is remembered in: a folio stands on every page. */
const MOST_SITUATIONS = 400;

/**
 * Composes documents, one state after another. Each stage remembers by the identity of what it was given, so that a
 * change costs what it changes. The faces a document needs must be in the shaper (see `facesOf`).
 */
export class Composer {
  readonly #shaper: Shaper;
  readonly #hyphenation = new Hyphenation();
  readonly #inks = new Inks();
  readonly #showing = new Showing();
  readonly #surroundings: Surroundings;
  readonly #columns = new Columns();
  readonly #lists = new PageLists(this.#inks);
  readonly #texts = new Map<string, SetText>();
  readonly #fillables = new Map<string, MadeReady>();
  readonly #tables = new WeakMap<Node, { readonly by: readonly unknown[]; readonly table: PreparedTable }>();
  #prepared = new WeakMap<Node, Map<string, { style: ParagraphProperties; prepared: Prepared }>>();
  #styles: readonly (readonly unknown[])[] = [];
  #sheet: StyleSheet = { paragraph: new Map(), character: new Map() };
  #setting!: Setting;

  constructor(shaper: Shaper) {
    this.#shaper = shaper;
    this.#surroundings = new Surroundings(shaper);
  }

  /** @throws FaceError when a face is missing */
  compose(document: Document): Composed {
    this.#takeStyles(document);
    const frames = this.#showing.of(document);
    const fits = new Map<string, Fit>();
    const grown = new Map<string, Box>();
    const items = new Map<string, readonly TextItem[]>();
    /** What cannot be composed is shown as such in its place; the rest is composed. */
    const broken = new Map<string, string>();

    // Frames whose own size or outline follows from their text come first: it decides what other texts keep away from.
    const early = (shown: Shown): boolean => {
      const { content, wrap } = shown.frame;
      return content.type === 'text' && (content.grows || (wrap.mode === 'outline' && wrap.outline === 'glyphs'));
    };
    const run = (list: readonly Thread[], around: Around) => {
      for (const thread of list) {
        const kept = find(document, 'text', thread.text);
        if (!kept) continue;
        const { body, origin } = writtenOut(document, kept.body);
        const text = body === kept.body ? kept : { ...kept, body };
        let set: SetText;
        try {
          set = this.#setText(document, thread, text, around);
        } catch (error) {
          if (error instanceof FaceError) throw error;
          for (const shown of thread.frames) broken.set(shown.key, (error as Error).message);
          continue;
        }
        if (!thread.frames[0]!.fromMaster) fits.set(text.id, set.fit);
        for (const [key, own] of set.items) items.set(key, origin ? own.map((item) => ofOrigin(item, origin)) : own);
        for (const shown of thread.frames) {
          const { content } = shown.frame;
          if (content.type !== 'text' || !content.grows || content.turns) continue;
          const own = set.items.get(shown.key)?.[0];
          if (own) grown.set(shown.frame.id, own.box);
        }
      }
    };
    const first = this.#surroundings.of(
      document,
      'first',
      frames.shown.filter((shown) => !early(shown)),
      grown,
      items,
    );
    run(
      frames.threads.filter((thread) => thread.frames.some(early)),
      first,
    );
    const second = this.#surroundings.of(document, 'second', frames.shown, grown, items);
    run(
      frames.threads.filter((thread) => !thread.frames.some(early)),
      second,
    );
    this.#forget(frames);
    return { pages: this.#lists.of(document, frames, items, grown, broken), fits, grown };
  }

  /** A paragraph as this composer would set it, for whoever wants to measure it. */
  prepared(document: Document, paragraph: Node, style: ParagraphProperties): Prepared {
    this.#takeStyles(document);
    return prepare(paragraph, style, this.#setting);
  }

  /** Keeps what the styles' changes leave valid: paragraphs by their style, looks by swatches, character styles and language. */
  #takeStyles(document: Document): void {
    const language = spoken(find(document, 'issue', 'issue')?.language);
    const now = [
      all(document, 'paragraphStyle'),
      all(document, 'characterStyle'),
      all(document, 'swatch'),
      all(document, 'picture'),
    ];
    const same = (a: readonly unknown[] | undefined, b: readonly unknown[]) =>
      a !== undefined && a.length === b.length && a.every((each, i) => each === b[i]);
    const [paragraphs, characters, swatches, pictures] = now.map((list, i) => same(this.#styles[i], list));
    const sameLanguage = this.#setting?.language === language;
    if (!paragraphs || !characters) this.#sheet = reconciled(this.#sheet, styleSheet(document));
    if (!characters || !swatches || !pictures || !sameLanguage) {
      this.#prepared = new WeakMap();
      const ink = (swatch: string, tint: number) => this.#inks.ink(document, swatch, tint);
      const sizes = new Map<string, PictureRecord>(
        now[3]!.map((picture) => [(picture as PictureRecord).id, picture as PictureRecord]),
      );
      this.#setting = {
        looks: new Looks(this.#shaper, this.#hyphenation, language, this.#sheet.character, ink),
        language,
        picture: (id) => sizes.get(id),
      };
    }
    this.#styles = now;
  }

  #setText(document: Document, thread: Thread, text: TextRecord, around: Around): SetText {
    const earlier = this.#texts.get(thread.key);
    const jumps = thread.frames.some(({ frame: { content } }) => content.type === 'text' && (content.jumpTo ?? content.jumpFrom));
    const hasFields = holdsFields(text.body);
    const numbers = thread.frames.map(({ page }) => page.number);
    // At first every frame is taken to show text, and every field to stand on the first page.
    let reached: readonly number[] = numbers.map((_, i) => i);
    let places: readonly (readonly number[])[] | undefined;
    let result:
      { list: readonly Fillable[]; filled: Filled; reserved: readonly Reserved[]; placed: readonly JumpItem[] } | undefined;
    let unsettled = false;
    for (let pass = 1; ; pass++) {
      const jump = jumps ? this.#jumpLines(document, thread, text, reached) : NO_JUMPS;
      const columns = this.#columns.of(thread, formatOf(document), around, jump.reserved, runsRightToLeft(text.body));
      const values = (leaf: number, node: Node) =>
        fieldsOf(node).map((attrs, i) => {
          const frame = places?.[leaf]?.[i] ?? 0;
          return fieldValue(document, attrs, placeOf(thread, numbers, reached, frame, text));
        });
      const { list, spans, shared } = this.#blocksOf(document, thread, text, hasFields ? values : undefined);
      if (earlier && !jumps && !hasFields && sameFilled(earlier, list, columns.columns) && sameShown(earlier, thread))
        return earlier;
      const filled: Filled =
        columns.balanced || spans
          ? fillBands(list, columns.frames, columns.beyond, earlier?.filled)
          : {
              columns: columns.columns,
              blocks: fill(list, columns.columns, earlier?.filled, { shared: shared?.of === earlier?.list ? shared : undefined }),
            };
      result = { list, filled, reserved: jump.reserved, placed: jump.items };
      if (!jumps && !hasFields) break;
      const now = framesReached(thread, filled);
      const nowPlaces = hasFields ? fieldFrames(thread, filled) : undefined;
      const settled =
        same(now, reached) && (!hasFields || same(nowPlaces, places ?? nowPlaces?.map((each) => each.map(() => 0))));
      if (settled) break;
      if (pass === MOST_PASSES) {
        unsettled = true;
        break;
      }
      reached = now;
      places = nowPlaces;
    }
    const { list, filled, placed } = result;
    const set = itemsOf(text.id, thread.frames, filled, earlier?.set);
    const items = new Map<string, readonly TextItem[]>();
    for (const [key, item] of set.items) items.set(key, [item]);
    for (const { key, item } of placed) items.set(key, [...(items.get(key) ?? []), item]);
    const counts = counted(filled.blocks, earlier && { blocks: earlier.filled.blocks, counts: earlier.counts });
    const now: SetText = { list, filled, set, items, counts, fit: fitOf(filled, set.leaves, counts, unsettled) };
    this.#texts.set(thread.key, now);
    return now;
  }

  #blocksOf(
    document: Document,
    thread: Thread,
    text: TextRecord,
    values: ((leaf: number, node: Node) => readonly string[]) | undefined,
  ): Pick<MadeReady, 'list' | 'spans' | 'shared'> {
    const { content } = thread.frames[0]!.frame;
    const room = content.type === 'text' && content.fitsWidth ? roomIn(content, thread.frames[0]!.local) : undefined;
    const endsStory = text.role === 'body' && text.story !== undefined;
    const by = [this.#sheet, this.#setting, room?.width, room?.height, room?.first, endsStory];
    const { content: blocks } = text.body.content;
    const before = values ? undefined : this.#fillables.get(thread.key);
    const kept = before && by.every((each, i) => each === before.by[i]) ? before : undefined;
    if (kept?.content === blocks) return kept;
    let leaf = 0;
    let lastParagraph = blocks.length - 1;
    while (lastParagraph >= 0 && blocks[lastParagraph]!.type.name !== 'paragraph') lastParagraph--;
    const situation = (node: Node, last: boolean): Situation => {
      const own = leaf++;
      const shown = values ? values(own, node) : NO_VALUES;
      return shown.length === 0 && !last ? ALONE : { values: shown, endsStory: last };
    };
    /** The situation of each paragraph; the last one of a table's. */
    const met: Situation[] = [];
    const make = (i: number): Fillable => {
      const last = endsStory && i === lastParagraph;
      return this.#fillable(document, blocks[i]!, (node) => (met[i] = situation(node, last)));
    };
    const last = endsStory ? lastParagraph : -1;
    if (kept && room === undefined) {
      const ready = { by, content: blocks, last, ...remade(blocks, last, kept, make) };
      this.#fillables.set(thread.key, ready);
      return ready;
    }
    let list = blocks.map((_, i) => make(i));
    if (room !== undefined) list = this.#fittedTo(room, list, blocks, met);
    const ready: MadeReady = { by, content: blocks, last, list, spans: list.some(spansColumns), shared: undefined };
    if (!values) this.#fillables.set(thread.key, ready);
    return ready;
  }

  #fillable(document: Document, block: Node, situation: (node: Node) => Situation): Fillable {
    if (block.type.name === 'paragraph') {
      const attrs = block.attrs as ParagraphAttrs;
      const style = this.#sheet.paragraph.get(attrs.style) ?? PLAIN;
      const source = this.#prepare(block, style, situation(block));
      return { type: 'paragraph', source, startIn: attrs.startIn ?? style.startIn ?? undefined };
    }
    if (block.type.name === 'figure') {
      const attrs = block.attrs as FigureAttrs;
      const picture = this.#setting.picture(attrs.picture);
      const proportion = picture ? picture.height / picture.width : 0.5;
      let figure = figures.get(block);
      if (figure?.proportion !== proportion) figures.set(block, (figure = { attrs, proportion }));
      return { type: 'figure', source: figure, startIn: undefined };
    }
    return { type: 'table', source: this.#table(document, block, situation), startIn: undefined };
  }

  #prepare(node: Node, style: ParagraphProperties, situation: Situation): Prepared {
    let known = this.#prepared.get(node);
    if (!known) this.#prepared.set(node, (known = new Map()));
    const key = situation === ALONE ? '' : `${situation.endsStory}|${situation.values.join('|')}`;
    const kept = known.get(key);
    if (kept && kept.style === style) return kept.prepared;
    const prepared = prepare(node, style, this.#setting, situation);
    if (known.size >= MOST_SITUATIONS) known.clear();
    known.set(key, { style, prepared });
    return prepared;
  }

  #table(document: Document, node: Node, situation: (node: Node) => Situation): PreparedTable {
    let leaves = 0;
    const paragraphs: Prepared[] = [];
    const cells = arrangedCells(node).map(({ cell, column, across, row, down }) => {
      const own = cell.content.content.map((each) => {
        const style = this.#sheet.paragraph.get((each.attrs as ParagraphAttrs).style) ?? PLAIN;
        return this.#prepare(each, style, situation(each));
      });
      paragraphs.push(...own);
      const leaf = leaves;
      leaves += own.length;
      const attrs = cell.attrs as CellAttrs;
      const fillInk = attrs.fill && this.#inks.ink(document, attrs.fill.swatch, attrs.fill.tint);
      return { attrs, paragraphs: own, column, across, row, down, leaf, fill: fillInk };
    });
    const by = [this.#setting, ...paragraphs];
    const kept = this.#tables.get(node);
    if (kept && kept.by.length === by.length && kept.by.every((each, i) => each === by[i])) return kept.table;
    const ink = (of: { swatch: string; tint: number } | undefined) => of && this.#inks.ink(document, of.swatch, of.tint);
    const attrs = node.attrs as TableAttrs;
    const { rules = {}, headFill, stripe } = attrs;
    const inks = {
      rows: ink(rules.rows),
      columns: ink(rules.columns),
      around: ink(rules.around),
      head: ink(rules.head),
      headFill: ink(headFill),
      stripe: ink(stripe),
    };
    const table: PreparedTable = { node, attrs, cells, rows: node.childCount, leaves, inks, laid: new Map() };
    this.#tables.set(node, { by, table });
    return table;
  }

  /**
   * Paragraphs at the size at which the longest line of any of them fills the width, or all of them the height where
   * there is one. A single paragraph goes over two lines where that makes it larger by more than a little.
   */
  #fittedTo(room: Room, list: readonly Fillable[], blocks: readonly Node[], met: readonly Situation[]): Fillable[] {
    const paragraphs = list.flatMap((block) => (block.type === 'paragraph' ? [block.source] : []));
    const factor = factorFor(room, paragraphs);
    if (factor === undefined) return [...list];
    return list.map((block, i) => {
      const node = blocks[i]!;
      if (block.type !== 'paragraph' || node.type.name !== 'paragraph') return block;
      const { style } = block.source;
      const situation = met[i] ?? ALONE;
      const key = `fit ${factor} ${situation.values.join('|')}`;
      const known = this.#prepared.get(node)?.get(key);
      if (known?.style === style) return { ...block, source: known.prepared };
      const scaled = { ...style, size: style.size * factor, leading: style.leading * factor, hyphens: false };
      const source = prepare(node, scaled, this.#setting, situation);
      this.#prepared.get(node)?.set(key, { style, prepared: source });
      return { ...block, source };
    });
  }

  /** The jump lines of a thread whose text reaches these of its frames, and the room they take there. */
  #jumpLines(document: Document, thread: Thread, text: TextRecord, reached: readonly number[]): Jumps {
    const numbers = thread.frames.map(({ page }) => page.number);
    const items: JumpItem[] = [];
    const reserved = thread.frames.map((shown, i): Reserved => {
      const { content } = shown.frame;
      if (content.type !== 'text' || !reached.includes(i)) return NOTHING_RESERVED;
      const place = placeOf(thread, numbers, reached, i, text);
      const foot =
        content.jumpTo && place.next !== undefined ? this.#jumpLine(document, shown, content.jumpTo, place, 'foot') : undefined;
      const head =
        content.jumpFrom && place.previous !== undefined
          ? this.#jumpLine(document, shown, content.jumpFrom, place, 'head')
          : undefined;
      for (const each of [head, foot]) if (each) items.push({ key: shown.key, item: each.item });
      return { head: head?.height ?? 0, foot: foot?.height ?? 0 };
    });
    return { reserved, items };
  }

  #jumpLine(document: Document, shown: Shown, textId: string, place: FieldPlace, where: 'head' | 'foot') {
    const text = find(document, 'text', textId);
    if (!text) return undefined;
    const around: Around = { bySpread: new Map(), owners: new Map() };
    const thread: Thread = { key: `jump ${where} ${shown.key}`, text: textId, frames: [shown] };
    const { frames } = this.#columns.of(thread, formatOf(document), around, [NOTHING_RESERVED], false);
    const frame = frames[0]!;
    const columns = frame.columns(frame.top, frame.foot, false);
    const own = where === 'head' ? columns[0]! : columns[columns.length - 1]!;
    const list = text.body.content.content.flatMap((block): Fillable[] => {
      if (block.type.name !== 'paragraph') return [];
      const style = this.#sheet.paragraph.get((block.attrs as ParagraphAttrs).style) ?? PLAIN;
      const values = fieldsOf(block).map((attrs) => fieldValue(document, attrs, place));
      return [{ type: 'paragraph', source: this.#prepare(block, style, { values, endsStory: false }), startIn: undefined }];
    });
    const endless: Column = { ...own, exclusions: [], endless: true, grid: undefined };
    const placed = fill(list, [endless]);
    const lines = placed.flatMap((block) => block.lines);
    const last = lines[lines.length - 1];
    if (!last) return undefined;
    const step = own.grid?.step;
    const rows = lines.reduce((sum, { line }, i) => sum + (i === 0 || line.baseline > lines[i - 1]!.line.baseline ? 1 : 0), 0);
    const high = rows * (placed[0]!.prepared?.style.leading ?? 12);
    const height = step ? Math.ceil(high / step - 1e-6) * step : high;
    const first = lines[0]!.line.baseline;
    const gridded = own.grid && own.grid.origin + Math.ceil((first - own.grid.origin) / own.grid.step - 1e-6) * own.grid.step;
    const dy = where === 'head' ? (gridded ?? first) - first : own.box.y + own.box.h - last.line.baseline;
    const paragraphs = placed.flatMap((block, i) => block.lines.map(() => i));
    const box = where === 'head' ? { ...own.box, h: height } : { ...own.box, y: own.box.y + own.box.h - height, h: height };
    const item: TextItem = {
      type: 'text',
      frame: shown.frame.id,
      text: textId,
      box,
      columns: [{ box, lines: lines.map(({ line }) => movedLine(line, 0, dy)), paragraphs }],
      transform: shown.transform,
      opacity: shown.frame.opacity,
    };
    return { item, height };
  }

  /** Lets go of texts that are no longer set. */
  #forget({ threads }: ShownFrames): void {
    if (this.#texts.size <= threads.length) return;
    const live = new Set(threads.map(({ key }) => key));
    for (const key of this.#texts.keys()) if (!live.has(key)) this.#texts.delete(key);
    for (const key of this.#fillables.keys()) if (!live.has(key)) this.#fillables.delete(key);
    this.#columns.forget(live);
  }
}

interface JumpItem {
  readonly key: string;
  readonly item: TextItem;
}

interface Jumps {
  readonly reserved: readonly Reserved[];
  readonly items: readonly JumpItem[];
}

const NO_JUMPS: Jumps = { reserved: [], items: [] };
const NO_VALUES: readonly string[] = [];
const ALONE: Situation = { values: NO_VALUES, endsStory: false };

const figures = new WeakMap<Node, { attrs: FigureAttrs; proportion: number }>();

/** Styles that came out as they were keep their objects: what was prepared with them stays good. */
function reconciled(old: StyleSheet, now: StyleSheet): StyleSheet {
  const each = <T>(before: ReadonlyMap<string, T>, after: ReadonlyMap<string, T>): ReadonlyMap<string, T> =>
    new Map([...after].map(([id, style]) => [id, same(before.get(id), style) ? before.get(id)! : style]));
  return { paragraph: each(old.paragraph, now.paragraph), character: each(old.character, now.character) };
}

const spansColumns = (block: Fillable): boolean => block.type === 'paragraph' && block.source.style.spans;

/**
 * Blocks made ready where they are not: those before the first change and behind the last are taken over. The last
 * paragraph of a story is made by itself, and so is one that was the last and is not any more.
 */
function remade(
  blocks: readonly Node[],
  last: number,
  kept: MadeReady,
  make: (i: number) => Fillable,
): Pick<MadeReady, 'list' | 'spans' | 'shared'> {
  const { content, list: old } = kept;
  const n = blocks.length;
  const most = Math.min(n, content.length);
  let head = 0;
  while (head < most && blocks[head] === content[head]) head++;
  let foot = 0;
  while (foot < most - head && blocks[n - 1 - foot] === content[content.length - 1 - foot]) foot++;
  const list = old.slice(0, head);
  let spans = false;
  const remake = (i: number) => {
    list[i] = make(i);
    spans ||= spansColumns(list[i]!);
    if (i < head) head = i;
    else if (i >= n - foot) foot = n - 1 - i;
  };
  for (let i = head; i < n - foot; i++) remake(i);
  for (let i = old.length - foot; i < old.length; i++) list.push(old[i]!);
  if (last >= 0 && (last !== kept.last || blocks[last] !== content[last])) {
    const was = kept.last < head ? kept.last : kept.last + n - content.length;
    remake(last);
    if (kept.last >= 0 && was >= 0 && was < n && was !== last && blocks[was] === content[kept.last]) remake(was);
  }
  return { list, spans: spans || (kept.spans && list.some(spansColumns)), shared: { of: old, head, foot } };
}

const fieldful = new WeakMap<Node, boolean>();

function holdsFields(body: Node): boolean {
  let holds = fieldful.get(body);
  if (holds === undefined) {
    const any = (node: Node): boolean => node.type.name === 'field' || node.content.content.some(any);
    holds = any(body);
    fieldful.set(body, holds);
  }
  return holds;
}

/** Where something in one frame of a thread stands: its page, and the pages the text goes on on and comes from. */
function placeOf(
  thread: Thread,
  numbers: readonly number[],
  reached: readonly number[],
  frame: number,
  text: TextRecord,
): FieldPlace {
  const number = numbers[frame] ?? thread.frames[0]!.page.number;
  const at = reached.indexOf(frame);
  const after = at < 0 ? undefined : numbers[reached[at + 1] ?? -1];
  const before = at < 0 ? undefined : numbers[reached[at - 1] ?? -1];
  return {
    number,
    next: after === number ? undefined : after,
    previous: before === number ? undefined : before,
    story: text.story,
  };
}

/** Which frames of a thread show any of its text, by their number. */
function framesReached(thread: Thread, { columns, blocks }: Filled): number[] {
  const shown = new Set<string>();
  for (const block of blocks) for (const { column } of block.lines) shown.add(columns[column]!.frame);
  return thread.frames.flatMap(({ frame }, i) => (shown.has(frame.id) ? [i] : []));
}

/** For every paragraph: the frame each of its fields stands in, by its number in the thread. */
function fieldFrames(thread: Thread, { columns, blocks }: Filled): number[][] {
  const numbers = new Map(thread.frames.map(({ frame }, i) => [frame.id, i]));
  return blocks.flatMap((block): number[][] => {
    const { prepared } = block;
    if (!prepared?.fields) return Array.from({ length: block.leaves }, () => []);
    return [
      prepared.fields.map(({ at }) => {
        const placed = block.lines.find(({ b }) => prepared.end[b]! > at) ?? block.lines[block.lines.length - 1]!;
        return numbers.get(columns[placed.column]!.frame) ?? thread.frames.length - 1;
      }),
    ];
  });
}

function sameFilled({ list: old, filled }: SetText, list: readonly Fillable[], now: readonly Column[]): boolean {
  const { columns } = filled;
  if (columns.length !== now.length || old.length !== list.length) return false;
  if (columns !== now) for (let i = 0; i < now.length; i++) if (columns[i] !== now[i]) return false;
  if (old !== list)
    for (let i = 0; i < list.length; i++)
      if (old[i] !== list[i] && (old[i]!.source !== list[i]!.source || old[i]!.startIn !== list[i]!.startIn)) return false;
  return true;
}

/** Whether a text is shown in the very frames in which it was set. */
const sameShown = (earlier: SetText, thread: Thread): boolean => earlier.set.frames === thread.frames;

/** An item of a text with a list in it, its paragraphs those that the list comes from. */
const ofOrigin = (item: TextItem, origin: readonly number[]): TextItem => ({
  ...item,
  columns: item.columns.map((column) => ({ ...column, paragraphs: column.paragraphs.map((at) => origin[at] ?? at) })),
});

/** What type that fits its frame has to fill. Points; without a height it grows with its width alone. */
interface Room {
  readonly width: number;
  readonly height: number | undefined;
  readonly first: TextContent['firstBaseline'];
}

function roomIn(content: TextContent, local: Box): Room {
  const inset = sidesOf(content.inset);
  const height = content.grows ? undefined : Math.max(1, local.h - inset.top - inset.bottom);
  return { width: Math.max(1, local.w - inset.left - inset.right), height, first: content.firstBaseline };
}

/** A second line is worth it where the type becomes larger by this much. */
const WORTH_A_LINE = 1.12;

/** How much larger paragraphs are set to fill their room; undefined where there is nothing to fill it with. */
function factorFor({ width, height, first }: Room, paragraphs: readonly Prepared[]): number | undefined {
  const lines = paragraphs.map((of) => linesOf(of));
  const longest = Math.max(0, ...lines.map(({ natural }) => natural));
  if (longest === 0) return undefined;
  const high = (count: (i: number) => number): number => {
    const whole = paragraphs.reduce((sum, { style }, i) => sum + count(i) * style.leading, 0);
    const [top, foot] = [paragraphs[0]!, paragraphs[paragraphs.length - 1]!];
    const rise = first === 'capHeight' ? top.capHeight : first === 'leading' ? top.style.leading : top.ascent;
    return whole - top.style.leading + (typeof first === 'number' ? 0 : rise) + foot.descent;
  };
  const inHeight = (count: (i: number) => number) =>
    height === undefined ? Infinity : (height - (typeof first === 'number' ? first : 0)) / high(count);
  // A hair less than the width, so that the longest line needs no shrinking.
  const one = Math.max(
    0.001,
    Math.min(
      (width / longest) * 0.9999,
      inHeight((i) => lines[i]!.count),
    ),
  );
  const [only] = paragraphs;
  if (height === undefined || paragraphs.length !== 1 || lines[0]!.count !== 1) return one;
  const halves = longestHalf(only!);
  const two =
    halves > 0
      ? Math.min(
          (width / halves) * 0.9999,
          inHeight(() => 2),
        )
      : 0;
  return two > one * WORTH_A_LINE ? two : one;
}

/** Lines of a paragraph that is not broken but where it must be, and the width of the longest, points. */
function linesOf(of: Prepared): { count: number; natural: number } {
  let from = 0;
  let natural = 0;
  let count = 0;
  for (let b = 1; b < of.count; b++) {
    if (of.penalty[b] !== -Infinity) continue;
    natural = Math.max(natural, (of.before[b]! - of.after[from]!) * of.scale);
    count++;
    from = b;
  }
  return { count, natural };
}

/** Width of the longer of two lines when a paragraph is parted between words as evenly as it can be; 0 where it cannot. */
function longestHalf(of: Prepared): number {
  let best = Infinity;
  const end = of.before[of.count - 1]!;
  for (let b = 1; b < of.count - 1; b++) {
    if (of.flag[b] !== PLAIN_BREAK) continue;
    best = Math.min(best, Math.max(of.before[b]! - of.after[0]!, end - of.after[b]!));
  }
  return best === Infinity ? 0 : best * of.scale;
}
