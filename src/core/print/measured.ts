import type { Light } from '../colour/contrast';
import type { Item, PageList, TextItem } from '../compose/displayList/displayList';
import { type Box, overlaps } from '../geometry/box';
import { mappedBox } from '../geometry/matrix';
import { placedPages } from '../page/pages';
import type { Document } from '../records/document';
import type { Cmyk } from '../records/swatch';
import { type Legibility, legibilityOf } from './legibility';
import { PaintedPage, type PaintSources } from './paintedPage';
import { CHANNELS } from './picturePixels';

/** What the pixels of a page say. */
export interface Measured {
  /** The mean of each ink over the trimmed page, as shares. */
  readonly mean: Cmyk;
  /** The most ink on one place, all four together: 3 is 300 %. */
  readonly most: number;
  /** Places with more than is allowed, the heaviest first. */
  readonly spots: readonly { readonly box: Box; readonly most: number }[];
  /** How texts can be read on what lies under them, by frame; bare ones have nothing but paper there. */
  readonly legibility: ReadonlyMap<string, Legibility & { readonly isBare: boolean }>;
}

/** Pixels that hang together and are fewer than this, some two square millimetres, dry before they touch anything. */
const LEAST_SPOT = 10;

/** The heaviest places that are told of; a page that is heavy all over is one. */
const MOST_SPOTS = 20;

/** What is beside a page in its spread: what of it reaches over the spine is seen on the page. */
export interface Beside {
  readonly list: PageList;
  /** Points from the page to it. */
  readonly dx: number;
}

/** What lies beside each page in its spread. */
export function besides(document: Document, lists: readonly PageList[]): Map<string, Beside> {
  const pages = placedPages(document);
  const out = new Map<string, Beside>();
  pages.forEach((page, i) => {
    for (const at of [i - 1, i + 1]) {
      const other = pages[at];
      const list = lists[at];
      if (other?.spread === page.spread && list) out.set(page.page.id, { list, dx: other.dx - page.dx });
    }
  });
  return out;
}

/** The pictures that a page is painted with, in frames and in lines of text. */
export function picturesOn({ items }: PageList): string[] {
  return items.flatMap((item) => {
    if (item.type === 'picture') return [item.picture];
    if (item.type !== 'text') return [];
    return item.columns.flatMap(({ lines }) =>
      lines.flatMap(({ marks }) => (marks ?? []).flatMap((mark) => (mark.type === 'picture' ? [mark.picture] : []))),
    );
  });
}

/**
 * Paints a page and measures it.
 * @param most the share of ink that a place may have, all four together
 */
export function measurePage(list: PageList, beside: Beside | undefined, sources: PaintSources, most: number): Measured {
  const steps = measuring(list, beside, sources, most);
  for (let step = steps.next(); ; step = steps.next()) if (step.done) return step.value;
}

/** The same step by step, of a few milliseconds each: whoever has other work to do can do it in between. */
export function* measuring(
  list: PageList,
  beside: Beside | undefined,
  sources: PaintSources,
  most: number,
): Generator<undefined, Measured> {
  const page = new PaintedPage(list, sources);
  const legibility = new Map<string, Legibility & { isBare: boolean }>();
  const reaching = reachingOver(beside);
  const reached = reaching.map(({ box }) => box);
  const under: Item[] = [];
  for (const [i, item] of list.items.entries()) {
    if (i === list.furniture) for (const each of reaching) page.paint(each.item, beside!.dx);
    if (item.type === 'text') {
      const read = legibilityOn(page, item, under, i >= list.furniture ? reached : [], list);
      const before = legibility.get(item.frame);
      if (read && !(before && before.ratio / before.needed <= read.ratio / read.needed)) legibility.set(item.frame, read);
    }
    for (const part of partsOf(item)) {
      page.paint(part);
      yield;
    }
    under.push(item);
  }
  if (list.furniture === list.items.length) for (const each of reaching) page.paint(each.item, beside!.dx);
  return { ...inksOn(page, list, most), legibility };
}

/** What of the page beside reaches over the spine, and where it is seen on this one. */
function reachingOver(beside: Beside | undefined): { readonly item: Item; readonly box: Box }[] {
  if (!beside) return [];
  const { list, dx } = beside;
  return list.items.slice(list.furniture).flatMap((item) => {
    const own = mappedBox(item.transform, item.box);
    const reaches = dx > 0 ? own.x < -1 : own.x + own.w > list.width + 1;
    return reaches ? [{ item, box: { ...own, x: own.x + dx } }] : [];
  });
}

/** A text by its columns: each is painted in a few milliseconds. */
const partsOf = (item: Item): readonly Item[] =>
  item.type === 'text' ? item.columns.map((column) => ({ ...item, columns: [column] })) : [item];

function legibilityOn(
  page: PaintedPage,
  item: TextItem,
  under: readonly Item[],
  reached: readonly Box[],
  { furniture, items }: PageList,
): (Legibility & { isBare: boolean }) | undefined {
  const room = mappedBox(item.transform, item.box);
  const pictures = under.filter((each) => each.type === 'picture' && overlaps(mappedBox(each.transform, each.box), room));
  const only = pictures.length === 1 && items.indexOf(pictures[0]!) >= furniture ? pictures[0] : undefined;
  const isBare =
    under.every((each) => each.type === 'text' || !overlaps(mappedBox(each.transform, each.box), room)) &&
    !reached.some((box) => overlaps(box, room));
  const read = legibilityOf(item, isBare ? () => PAPER : (box) => lightIn(page, box), only?.frame);
  return read && { ...read, isBare };
}

const PAPER: readonly Light[] = [[255, 255, 255]];

function lightIn(page: PaintedPage, box: Box): Light[] {
  const { x0, y0, x1, y1 } = page.pixelsIn(box);
  const { pixels } = page;
  const out: Light[] = [];
  let isEven = true;
  const first = CHANNELS * (y0 * page.width + x0);
  for (let y = y0; y < y1; y++)
    for (let x = x0; x < x1; x++) {
      const at = CHANNELS * (y * page.width + x);
      const light: Light = [pixels[at + 4]!, pixels[at + 5]!, pixels[at + 6]!];
      out.push(light);
      if (isEven) for (let i = 0; i < 3; i++) if (Math.abs(light[i]! - pixels[first + 4 + i]!) > 0.5) isEven = false;
    }
  // One pixel says as much as all where they are alike: most letters lie on an even ground.
  return isEven ? out.slice(0, 1) : out;
}

function inksOn(page: PaintedPage, { width, height }: PageList, most: number): Omit<Measured, 'legibility'> {
  const { x0, y0, x1, y1 } = page.pixelsIn({ x: 0, y: 0, w: width, h: height });
  const { pixels } = page;
  let [c, m, y, k] = [0, 0, 0, 0];
  const total = new Float32Array(page.width * page.height);
  let heaviest = 0;
  for (let row = 0; row < page.height; row++)
    for (let column = 0; column < page.width; column++) {
      const at = row * page.width + column;
      const from = CHANNELS * at;
      const all = pixels[from]! + pixels[from + 1]! + pixels[from + 2]! + pixels[from + 3]!;
      total[at] = all;
      if (row < y0 || row >= y1 || column < x0 || column >= x1) continue;
      c += pixels[from]!;
      m += pixels[from + 1]!;
      y += pixels[from + 2]!;
      k += pixels[from + 3]!;
      if (all > heaviest) heaviest = all;
    }
  const count = Math.max(1, (x1 - x0) * (y1 - y0));
  const mean: Cmyk = [c / count, m / count, y / count, k / count];
  // What rounding adds is not ink.
  return { mean, most: heaviest, spots: heaviest > most + ROUNDING ? spotsOf(page, total, most + ROUNDING) : [] };
}

const ROUNDING = 0.02;

/** Pixels with too much ink that hang together, as boxes. */
function spotsOf(page: PaintedPage, total: Float32Array, most: number): Measured['spots'] {
  const { width, height } = page;
  const out: { box: Box; most: number }[] = [];
  const stack: number[] = [];
  for (let first = 0; first < total.length; first++) {
    if (total[first]! <= most) continue;
    let [x0, y0, x1, y1, n, peak] = [width, height, 0, 0, 0, 0];
    stack.push(first);
    while (stack.length > 0) {
      const at = stack.pop()!;
      const value = total[at]!;
      if (value <= most) continue;
      total[at] = 0;
      n++;
      if (value > peak) peak = value;
      const x = at % width;
      const y = (at - x) / width;
      x0 = Math.min(x0, x);
      x1 = Math.max(x1, x + 1);
      y0 = Math.min(y0, y);
      y1 = Math.max(y1, y + 1);
      if (x > 0) stack.push(at - 1);
      if (x < width - 1) stack.push(at + 1);
      if (y > 0) stack.push(at - width);
      if (y < height - 1) stack.push(at + width);
    }
    if (n >= LEAST_SPOT) out.push({ box: page.boxOf(x0, y0, x1, y1), most: peak });
  }
  return out.sort((a, b) => b.most - a.most).slice(0, MOST_SPOTS);
}
