import { around, bottom, type Box, right } from '../geometry/box';
import { exact } from '../length/length';
import { pageGrid } from '../page/grid';
import { formatOf, placedPage, placedPages } from '../page/pages';
import type { Diff } from '../records/diff';
import { type Document, get } from '../records/document';
import { ActionError } from './edit';
import { placeFrames, type Place } from './frames';

/**
 * Aligning, spacing and sizing several frames at once. What is grouped is one block; frames of a spread are arranged on the
 * spread, whichever of its pages they lie on, and stay on their pages.
 */

/** Which of their edges or middles come to lie on one line. */
export const EDGES = ['left', 'centre', 'right', 'top', 'middle', 'bottom'] as const;
export type Edge = (typeof EDGES)[number];

/** What frames are aligned to: the block they make together, the one chosen first, or what lies under each of them. */
export const AGAINST = ['together', 'first', 'page', 'area', 'column', 'baseline'] as const;
export type Against = (typeof AGAINST)[number];

export type Direction = 'across' | 'down';
export type Measure = 'width' | 'height' | 'both';

/** Frames that move as one, and the box around them in the coordinates of their spread. */
interface Block {
  readonly ids: readonly string[];
  readonly page: string;
  readonly dx: number;
  readonly box: Box;
}

/** The blocks that frames make, in the order in which they were chosen. @throws ActionError where they lie on several spreads */
function blocksOf(document: Document, ids: readonly string[]): Block[] {
  const blocks = new Map<string, { ids: string[]; page: string; dx: number; boxes: Box[] }>();
  const seen = new Set<number>();
  for (const id of ids) {
    const frame = get(document, 'frame', id);
    const placed = placedPage(document, frame.on);
    if (placed) seen.add(placed.spread);
    const dx = placed?.dx ?? 0;
    const box = { ...frame.box, x: frame.box.x + dx };
    const key = frame.group ?? id;
    const own = blocks.get(key);
    if (own) {
      own.ids.push(id);
      own.boxes.push(box);
    } else blocks.set(key, { ids: [id], page: frame.on, dx, boxes: [box] });
  }
  if (seen.size > 1) throw new ActionError('Only frames of one spread can be arranged together.');
  return [...blocks.values()].map(({ boxes, ...rest }) => ({ ...rest, box: around(boxes)! }));
}

/** Points that are no distance. */
const HAIR = 0.001;

/** Moves blocks, in one change; one that lies there already stays exactly where it is. */
function moved(document: Document, moves: readonly { readonly block: Block; readonly x?: number; readonly y?: number }[]): Diff {
  const places = new Map<string, Place>();
  for (const { block, x = block.box.x, y = block.box.y } of moves) {
    const [dx, dy] = [x - block.box.x, y - block.box.y];
    if (Math.abs(dx) < HAIR && Math.abs(dy) < HAIR) continue;
    for (const id of block.ids) {
      const { on, box } = get(document, 'frame', id);
      places.set(id, {
        on,
        box: {
          ...box,
          x: Math.abs(dx) < HAIR ? box.x : exact(box.x + dx),
          y: Math.abs(dy) < HAIR ? box.y : exact(box.y + dy),
        },
      });
    }
  }
  return placeFrames(document, places);
}

/** What a block is aligned to. */
function targetOf(document: Document, blocks: readonly Block[], block: Block, against: Exclude<Against, 'baseline'>): Box {
  if (against === 'together') return around(blocks.map(({ box }) => box))!;
  if (against === 'first') return blocks[0]!.box;
  const placed = placedPage(document, block.page) ?? placedPages(document)[0]!;
  const format = formatOf(document);
  if (against === 'page') return { x: block.dx, y: 0, w: format.width, h: format.height };
  const grid = pageGrid(format, placed.master, placed.side);
  if (against === 'area') return { ...grid.area, x: grid.area.x + block.dx };
  // The columns that it lies over for the greater part.
  const within = grid.columns.map(({ x, w }) => ({ x: x + block.dx, w }));
  const covered = within.filter(
    ({ x, w }) => Math.min(x + w, right(block.box)) - Math.max(x, block.box.x) > Math.min(w, block.box.w) / 2,
  );
  const middle = block.box.x + block.box.w / 2;
  const nearest = [...within].sort((a, b) => Math.abs(a.x + a.w / 2 - middle) - Math.abs(b.x + b.w / 2 - middle))[0]!;
  const own = covered.length > 0 ? covered : [nearest];
  const last = own[own.length - 1]!;
  return { x: own[0]!.x, y: grid.area.y, w: last.x + last.w - own[0]!.x, h: grid.area.h };
}

/** Every block with an edge or its middle on the nearest line of the baseline grid. @throws ActionError for an edge that is upright */
function onBaselines(document: Document, blocks: readonly Block[], edge: Edge) {
  const share = edge === 'top' ? 0 : edge === 'middle' ? 0.5 : edge === 'bottom' ? 1 : undefined;
  if (share === undefined) throw new ActionError('Baselines are level: align tops, middles or feet to them.');
  return blocks.map((block) => {
    const placed = placedPage(document, block.page) ?? placedPages(document)[0]!;
    const { first, step } = pageGrid(formatOf(document), placed.master, placed.side);
    const at = block.box.y + share * block.box.h;
    return { block, y: first + Math.round((at - first) / step) * step - share * block.box.h };
  });
}

/**
 * Lays frames with an edge or their middles on one line.
 *
 * @throws ActionError where there are fewer than two to be aligned to one another, or they lie on several spreads
 */
export function alignFrames(document: Document, ids: readonly string[], edge: Edge, against: Against): Diff {
  const blocks = blocksOf(document, ids);
  if (against === 'baseline') return moved(document, onBaselines(document, blocks, edge));
  if (blocks.length < 2 && (against === 'together' || against === 'first'))
    throw new ActionError('Choose two frames or more to align them to one another.');
  return moved(
    document,
    blocks.map((block) => {
      const to = targetOf(document, blocks, block, against);
      const { w, h } = block.box;
      switch (edge) {
        case 'left':
          return { block, x: to.x };
        case 'centre':
          return { block, x: to.x + (to.w - w) / 2 };
        case 'right':
          return { block, x: right(to) - w };
        case 'top':
          return { block, y: to.y };
        case 'middle':
          return { block, y: to.y + (to.h - h) / 2 };
        case 'bottom':
          return { block, y: bottom(to) - h };
      }
    }),
  );
}

/**
 * Sets frames in a row or column with one gap between each two: the one that is stated, or the one that the outermost leave.
 *
 * @param gap points; undefined for equal gaps, the outermost staying where they are
 * @throws ActionError where there are too few
 */
export function distributeFrames(document: Document, ids: readonly string[], direction: Direction, gap?: number): Diff {
  const blocks = blocksOf(document, ids);
  const least = gap === undefined ? 3 : 2;
  if (blocks.length < least)
    throw new ActionError(
      least === 3 ? 'Choose three frames or more to make the gaps between them equal.' : 'Choose two frames or more.',
    );
  const [start, size] = direction === 'across' ? (['x', 'w'] as const) : (['y', 'h'] as const);
  const row = [...blocks].sort((a, b) => a.box[start] - b.box[start]);
  const first = row[0]!.box[start];
  const last = row[row.length - 1]!.box;
  const sizes = row.reduce((sum, { box }) => sum + box[size], 0);
  const between = gap ?? (last[start] + last[size] - first - sizes) / (row.length - 1);
  let at = first;
  return moved(
    document,
    row.map((block) => {
      const own = { block, [start]: at };
      at += block.box[size] + between;
      return own;
    }),
  );
}

/**
 * Makes frames as wide, as high, or both, as the one that was chosen first. A frame of a group is sized by itself.
 *
 * @throws ActionError where there are fewer than two, or one would be too small for its columns
 */
export function matchSizes(document: Document, ids: readonly string[], of: Measure): Diff {
  const [first, ...rest] = ids;
  if (first === undefined || rest.length === 0) throw new ActionError('Choose two frames or more to give them one size.');
  const like = get(document, 'frame', first).box;
  const places = new Map<string, Place>();
  for (const id of rest) {
    const { on, box } = get(document, 'frame', id);
    const next = {
      ...box,
      w: of === 'height' ? box.w : like.w,
      h: of === 'width' ? box.h : like.h,
    };
    if (next.w !== box.w || next.h !== box.h) places.set(id, { on, box: next });
  }
  return placeFrames(document, places);
}

/** Lets two frames, or groups, change places: each comes to lie where the other’s upper left corner was. @throws ActionError */
export function swapFrames(document: Document, ids: readonly string[]): Diff {
  const blocks = blocksOf(document, ids);
  const [one, other] = blocks;
  if (!one || !other || blocks.length > 2) throw new ActionError('Choose two frames, or two groups, to let them change places.');
  const places = new Map<string, Place>();
  const put = (block: Block, to: Block) => {
    for (const id of block.ids) {
      const { box } = get(document, 'frame', id);
      places.set(id, {
        on: to.page,
        box: {
          ...box,
          x: exact(box.x + block.dx - block.box.x + to.box.x - to.dx),
          y: exact(box.y - block.box.y + to.box.y),
        },
      });
    }
  };
  put(one, other);
  put(other, one);
  return placeFrames(document, places);
}
