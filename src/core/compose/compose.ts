import type { Box } from '../geometry/box';
import { overlaps } from '../geometry/box';
import { type Exclusion, exclusion } from '../geometry/exclusion';
import { boxOutline, laidOver, outlineBox } from '../geometry/outline';
import { type FieldValues, fieldValues } from '../page/fields';
import { pageGrid } from '../page/grid';
import { formatOf, placedPages, type PlacedPage } from '../page/pages';
import { placedPicture } from '../pictures/placing';
import { type Document, all, find, framesOn } from '../records/document';
import type { PictureContent } from '../records/frame';
import type { FrameRecord, PictureRecord, TextRecord } from '../records/index';
import type { ParagraphProperties } from '../records/paragraphStyle';
import type { ParagraphNode } from '../records/text';
import { Hyphenation } from '../type/hyphenation';
import type { Shaper } from '../type/shaper';
import { PLAIN, type StyleSheet, styleSheet } from '../type/styles';
import { Inks } from './colours';
import type { Column } from './column';
import type { Item, Line, PageList, PictureItem, TextColumn, TextItem } from './displayList';
import { fill, type Fillable, type Filled } from './fill';
import { type Fit, fitOf } from './fit';
import { prepare, type Setting } from './prepare';
import type { Prepared } from './prepared';

/** A frame as it shows on one page: a page's own, or a master's. */
interface Shown {
  readonly frame: FrameRecord;
  readonly page: PlacedPage;
  readonly box: Box;
  readonly fromMaster: boolean;
}

/** A text set into frames: once for a thread, once a page for a master's text. */
interface Setup {
  readonly key: string;
  readonly text: TextRecord;
  readonly frames: readonly Shown[];
  readonly fields: FieldValues;
}

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
  readonly filled: Filled;
  readonly items: ReadonlyMap<string, TextItem>;
  readonly fit: Fit;
}

/**
 * Composes documents, one state after another. Each stage remembers by the identity of what it was given, so that a
 * change costs what it changes. The faces a document needs must be in the shaper (see `facesOf`).
 */
export class Composer {
  readonly #shaper: Shaper;
  readonly #hyphenation = new Hyphenation();
  readonly #inks = new Inks();
  readonly #texts = new Map<string, SetText>();
  readonly #columns = new Map<string, Column>();
  readonly #exclusions = new Map<string, { frame: FrameRecord; picture: unknown; box: Box; dx: number; exclusion: Exclusion }>();
  readonly #pages = new Map<string, PageList>();
  #prepared = new WeakMap<ParagraphNode, { style: ParagraphProperties; fields: string; prepared: Prepared }>();
  #styleList: readonly unknown[] = [];
  #swatches: readonly unknown[] = [];
  #sheet: StyleSheet = new Map();

  constructor(shaper: Shaper) {
    this.#shaper = shaper;
  }

  /** @throws FaceError when a face is missing; @throws StyleCircleError */
  compose(document: Document): Composed {
    this.#takeStyles(document);
    const shown = this.#shownFrames(document);
    const setups = this.#setups(document, shown);
    const fits = new Map<string, Fit>();
    const grown = new Map<string, Box>();
    const items = new Map<string, TextItem>();

    // Frames that grow come first: how high they are decides what other texts must keep away from.
    const grows = (setup: Setup) => setup.frames.some(({ frame }) => frame.content.type === 'text' && frame.content.grows);
    const fixed = shown.filter(({ frame }) => !(frame.content.type === 'text' && frame.content.grows));
    const run = (
      list: readonly Setup[],
      around: ReadonlyMap<number, readonly Exclusion[]>,
      owners: ReadonlyMap<Exclusion, string>,
    ) => {
      for (const setup of list) {
        const set = this.#setText(document, setup, around, owners);
        if (!setup.frames[0]!.fromMaster) fits.set(setup.text.id, set.fit);
        for (const [key, item] of set.items) {
          items.set(key, item);
          const of = setup.frames.find(({ frame, page }) => itemKey(frame, page) === key);
          if (of?.frame.content.type === 'text' && of.frame.content.grows) grown.set(of.frame.id, item.box);
        }
      }
    };
    const growing = setups.filter(grows);
    const first = this.#exclusionsOf(document, fixed, grown);
    run(growing, first.bySpread, first.owners);
    const second = this.#exclusionsOf(document, shown, grown);
    run(
      setups.filter((setup) => !grows(setup)),
      second.bySpread,
      second.owners,
    );
    this.#forget(setups);
    return { pages: this.#lists(document, shown, items, grown), fits, grown };
  }

  #takeStyles(document: Document): void {
    const same = (a: readonly unknown[], b: readonly unknown[]) => a.length === b.length && a.every((each, i) => each === b[i]);
    const styles = all(document, 'paragraphStyle');
    if (!same(this.#styleList, styles)) {
      this.#sheet = styleSheet(document);
      this.#styleList = styles;
    }
    const swatches = all(document, 'swatch');
    if (!same(this.#swatches, swatches)) {
      this.#swatches = swatches;
      this.#prepared = new WeakMap();
    }
  }

  #shownFrames(document: Document): Shown[] {
    const out: Shown[] = [];
    for (const page of placedPages(document)) {
      for (const frame of framesOn(document, page.master.id)) {
        if (frame.side === 'both' || frame.side === page.side) out.push({ frame, page, box: frame.box, fromMaster: true });
      }
      for (const frame of framesOn(document, page.page.id)) out.push({ frame, page, box: frame.box, fromMaster: false });
    }
    return out;
  }

  #setups(document: Document, shown: readonly Shown[]): Setup[] {
    const threads = new Map<string, { text: TextRecord; frames: Shown[]; fields: FieldValues }>();
    for (const each of shown) {
      const { content } = each.frame;
      if (content.type !== 'text') continue;
      const text = find(document, 'text', content.text);
      if (!text) continue;
      const key = each.fromMaster ? `${text.id} ${each.page.page.id}` : text.id;
      const thread = threads.get(key);
      if (thread) thread.frames.push(each);
      else threads.set(key, { text, frames: [each], fields: fieldValues(document, each.page.number) });
    }
    const place = ({ frame }: Shown) => (frame.content.type === 'text' ? frame.content.order : '');
    return [...threads].map(([key, { text, frames, fields }]) => ({
      key,
      text,
      fields,
      frames: frames.sort((a, b) => (place(a) < place(b) ? -1 : place(a) > place(b) ? 1 : 0)),
    }));
  }

  /** Exclusions by spread, in the spread's coordinates, with the frame each is of. */
  #exclusionsOf(document: Document, shown: readonly Shown[], grown: ReadonlyMap<string, Box>) {
    const bySpread = new Map<number, Exclusion[]>();
    const owners = new Map<Exclusion, string>();
    for (const { frame, page, box } of shown) {
      if (frame.wrap.mode === 'none') continue;
      const own = this.#exclusion(document, frame, page, grown.get(frame.id) ?? box);
      owners.set(own, frame.id);
      const list = bySpread.get(page.spread);
      if (list) list.push(own);
      else bySpread.set(page.spread, [own]);
    }
    return { bySpread, owners };
  }

  #exclusion(document: Document, frame: FrameRecord, page: PlacedPage, box: Box): Exclusion {
    const key = `${frame.id} ${page.page.id}`;
    const picture = frame.content.type === 'picture' ? find(document, 'picture', frame.content.picture) : undefined;
    const kept = this.#exclusions.get(key);
    if (kept && kept.frame === frame && kept.picture === picture && kept.dx === page.dx && kept.box.h === box.h)
      return kept.exclusion;
    const at = { ...box, x: box.x + page.dx };
    let outline = boxOutline(at);
    if (frame.wrap.mode === 'outline' && picture && frame.content.type === 'picture') {
      const traced = picture.outlines[frame.wrap.outline];
      if (traced) outline = laidOver(traced, placedPicture(at, picture, frame.content));
    }
    const own = exclusion(
      outline,
      frame.wrap.standOff,
      frame.wrap.mode === 'clear' ? 'clear' : 'both',
      outlineBox(outline) ?? at,
    );
    this.#exclusions.set(key, { frame, picture, box, dx: page.dx, exclusion: own });
    return own;
  }

  #setText(
    document: Document,
    setup: Setup,
    around: ReadonlyMap<number, readonly Exclusion[]>,
    owners: ReadonlyMap<Exclusion, string>,
  ): SetText {
    const columns = this.#threadColumns(document, setup, around, owners);
    const earlier = this.#texts.get(setup.key);
    const paragraphs = this.#fillables(document, setup);
    const sameColumns =
      earlier && earlier.filled.columns.length === columns.length && columns.every((c, i) => c === earlier.filled.columns[i]);
    const sameText =
      earlier &&
      earlier.filled.paragraphs.length === paragraphs.length &&
      paragraphs.every(
        (p, i) => p.prepared === earlier.filled.paragraphs[i]!.prepared && p.startIn === earlier.filled.paragraphs[i]!.startIn,
      );
    if (earlier && sameColumns && sameText && sameFrames(earlier, setup)) return earlier;
    const filled = fill(paragraphs, columns, this.#shaper, earlier?.filled);
    const set: SetText = {
      filled,
      items: itemsOf(setup, filled),
      fit: fitOf(filled),
    };
    this.#texts.set(setup.key, set);
    return set;
  }

  #fillables(document: Document, setup: Setup): Fillable[] {
    const issue = find(document, 'issue', 'issue');
    const setting: Setting = {
      shaper: this.#shaper,
      hyphenation: this.#hyphenation,
      language: issue?.language ?? 'en-GB',
      fields: setup.fields,
      ink: (swatch, tint) => this.#inks.ink(document, swatch, tint),
    };
    const fieldKey = Object.values(setup.fields).join('|');
    return setup.text.body.content.map((node) => {
      const style = this.#sheet.get(node.attrs.style) ?? PLAIN;
      const fields = node.content?.some((each) => each.type === 'field') ? fieldKey : '';
      const kept = this.#prepared.get(node);
      if (kept && kept.style === style && kept.fields === fields) return { prepared: kept.prepared, startIn: node.attrs.startIn };
      const prepared = prepare(node, style, setting);
      this.#prepared.set(node, { style, fields, prepared });
      return { prepared, startIn: node.attrs.startIn };
    });
  }

  #threadColumns(
    document: Document,
    setup: Setup,
    around: ReadonlyMap<number, readonly Exclusion[]>,
    owners: ReadonlyMap<Exclusion, string>,
  ): Column[] {
    const format = formatOf(document);
    const own = new Set(setup.frames.map(({ frame }) => frame.id));
    const out: Column[] = [];
    for (const { frame, page, box } of setup.frames) {
      if (frame.content.type !== 'text') continue;
      const { columns, gutter, inset, grows, ignoresWraps } = frame.content;
      const grid = pageGrid(format, page.master, page.side);
      const inner = { x: box.x + inset, y: box.y + inset, w: box.w - 2 * inset, h: box.h - 2 * inset };
      const w = (inner.w - gutter * (columns - 1)) / columns;
      const exclusions = ignoresWraps ? [] : (around.get(page.spread) ?? []).filter((each) => !own.has(owners.get(each)!));
      for (let i = 0; i < columns; i++) {
        const endless = grows && i === columns - 1;
        const column = {
          frame: frame.id,
          page: page.page.id,
          box: { x: inner.x + i * (w + gutter), y: inner.y, w: Math.max(0, w), h: inner.h },
          grid: { origin: grid.first, step: grid.step },
          exclusions: onPage(exclusions, page, { x: inner.x + i * (w + gutter), y: inner.y, w, h: endless ? 1e6 : inner.h }),
          endless,
          overset: false,
        };
        out.push(this.#sameColumn(`${setup.key} ${frame.id} ${i}`, column));
      }
    }
    const last = out.at(-1)!;
    if (!last.endless) {
      const beyond = {
        ...last,
        frame: '',
        exclusions: [],
        endless: true,
        overset: true,
        box: { ...last.box, y: last.box.y + last.box.h },
      };
      out.push(this.#sameColumn(`${setup.key} beyond`, beyond));
    }
    return out;
  }

  /** The column as it was, where nothing about it changed: identity is what later stages go by. */
  #sameColumn(key: string, column: Column): Column {
    const kept = this.#columns.get(key);
    if (
      kept &&
      kept.page === column.page &&
      kept.frame === column.frame &&
      kept.endless === column.endless &&
      sameBox(kept.box, column.box) &&
      kept.grid.origin === column.grid.origin &&
      kept.grid.step === column.grid.step &&
      sameExclusions(kept.exclusions, column.exclusions)
    ) {
      return kept;
    }
    this.#columns.set(key, column);
    return column;
  }

  #lists(
    document: Document,
    shown: readonly Shown[],
    texts: ReadonlyMap<string, TextItem>,
    grown: ReadonlyMap<string, Box>,
  ): PageList[] {
    const format = formatOf(document);
    const byPage = new Map<string, Item[]>();
    for (const { frame, page, box: given } of shown) {
      const items = byPage.get(page.page.id) ?? [];
      byPage.set(page.page.id, items);
      const box = grown.get(frame.id) ?? given;
      if (frame.fill)
        items.push({ type: 'area', frame: frame.id, box, ink: this.#inks.ink(document, frame.fill.swatch, frame.fill.tint) });
      const { content } = frame;
      if (content.type === 'picture') {
        const picture = find(document, 'picture', content.picture);
        if (picture) items.push(pictureItem(frame, picture, content, box));
        else items.push({ type: 'empty', frame: frame.id, box });
      }
      const item = content.type === 'text' && texts.get(itemKey(frame, page));
      if (item) items.push(item);
    }
    return placedPages(document).map((page) => {
      const list: PageList = {
        page: page.page.id,
        number: page.number,
        side: page.side,
        width: format.width,
        height: format.height,
        bleed: format.bleed,
        items: byPage.get(page.page.id) ?? [],
      };
      const kept = this.#pages.get(list.page);
      if (kept && samePage(kept, list)) return kept;
      this.#pages.set(list.page, list);
      return list;
    });
  }

  /** Lets go of texts that are no longer set. */
  #forget(setups: readonly Setup[]): void {
    if (this.#texts.size <= setups.length) return;
    const live = new Set(setups.map(({ key }) => key));
    for (const key of this.#texts.keys()) if (!live.has(key)) this.#texts.delete(key);
  }
}

const itemKey = (frame: FrameRecord, page: PlacedPage): string => `${frame.id} ${page.page.id}`;

const sameBox = (a: Box, b: Box): boolean => a.x === b.x && a.y === b.y && a.w === b.w && a.h === b.h;

function sameExclusions(a: readonly Exclusion[], b: readonly Exclusion[]): boolean {
  return (
    a.length === b.length &&
    a.every(
      (each, i) =>
        each === b[i] || (each.standOff === b[i]!.standOff && each.flow === b[i]!.flow && each.outline === b[i]!.outline),
    )
  );
}

function sameFrames(earlier: SetText, setup: Setup): boolean {
  return (
    earlier.items.size === setup.frames.length && setup.frames.every(({ frame, page }) => earlier.items.has(itemKey(frame, page)))
  );
}

/** One page's exclusions are those of its spread, moved by where the page lies; kept so that identity holds. */
const moved = new WeakMap<Exclusion, Map<number, Exclusion>>();

function onPage(exclusions: readonly Exclusion[], page: PlacedPage, column: Box): Exclusion[] {
  const out: Exclusion[] = [];
  for (const each of exclusions) {
    let byShift = moved.get(each);
    if (!byShift) moved.set(each, (byShift = new Map()));
    let own = byShift.get(page.dx);
    if (!own) {
      own =
        page.dx === 0
          ? each
          : {
              ...each,
              outline: each.outline.map((ring) => ring.map((value, i) => (i % 2 === 0 ? value - page.dx : value))),
              reach: { ...each.reach, x: each.reach.x - page.dx },
            };
      byShift.set(page.dx, own);
    }
    // Text may hang below its column and stand above its top by part of a line, so look a little further.
    if (overlaps(own.reach, { x: column.x, y: column.y - LOOK, w: column.w, h: column.h + 2 * LOOK })) out.push(own);
  }
  return out;
}

const LOOK = 24;

function itemsOf(setup: Setup, filled: Filled): Map<string, TextItem> {
  const columns: { lines: Line[]; paragraphs: number[] }[] = filled.columns.map(() => ({ lines: [], paragraphs: [] }));
  filled.paragraphs.forEach((paragraph, index) => {
    for (const { column, line } of paragraph.lines) {
      columns[column]!.lines.push(line);
      columns[column]!.paragraphs.push(index);
    }
  });
  const out = new Map<string, TextItem>();
  for (const { frame, page, box } of setup.frames) {
    if (frame.content.type !== 'text') continue;
    const { grows, inset, align } = frame.content;
    const own: TextColumn[] = [];
    let foot = box.y;
    filled.columns.forEach((column, i) => {
      if (column.frame !== frame.id || column.overset) return;
      own.push({ box: column.box, ...columns[i]! });
      const last = columns[i]!.lines.at(-1);
      if (last) foot = Math.max(foot, last.baseline + last.descent);
    });
    const h = grows ? Math.max(foot - box.y, 1) + inset : box.h;
    const item: TextItem = { type: 'text', frame: frame.id, text: setup.text.id, box: { ...box, h }, columns: own };
    out.set(itemKey(frame, page), align === 'bottom' && !grows ? loweredTo(item, box.y + box.h - inset - foot) : item);
  }
  return out;
}

function loweredTo(item: TextItem, by: number): TextItem {
  if (by < 0.05) return item;
  const columns = item.columns.map((column) => ({
    ...column,
    lines: column.lines.map((line) => ({ ...line, baseline: line.baseline + by })),
  }));
  return { ...item, columns };
}

/** A picture whose text runs around what stands before its background is cut out, or it would cover that text. */
function pictureItem(frame: FrameRecord, picture: PictureRecord, content: PictureContent, box: Box): PictureItem {
  const placed = placedPicture(box, picture, content);
  const cut = frame.wrap.mode === 'outline' && frame.wrap.outline === 'background' ? picture.outlines.background : undefined;
  return { type: 'picture', frame: frame.id, picture: picture.id, box, placed, outline: cut && laidOver(cut, placed) };
}

function samePage(a: PageList, b: PageList): boolean {
  return (
    a.number === b.number &&
    a.side === b.side &&
    a.width === b.width &&
    a.height === b.height &&
    a.bleed === b.bleed &&
    a.items.length === b.items.length &&
    a.items.every((item, i) => sameItem(item, b.items[i]!))
  );
}

function sameItem(a: Item, b: Item): boolean {
  if (a === b) return true;
  if (a.type !== b.type || a.frame !== b.frame || !sameBox(a.box, b.box)) return false;
  if (a.type === 'area' && b.type === 'area') return a.ink === b.ink;
  if (a.type === 'picture' && b.type === 'picture')
    return a.picture === b.picture && sameBox(a.placed, b.placed) && !a.outline === !b.outline;
  return a.type === 'empty';
}
