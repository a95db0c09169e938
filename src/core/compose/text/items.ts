import type { Box } from '../../geometry/box';
import type { Column } from '../frames/column';
import type { Line, TextColumn, TextItem } from '../displayList/displayList';
import type { Filled, PlacedBlock } from '../column/placed';
import { movedLine } from '../displayList/line';
import { sidesOf, type TextContent } from '../../records/frame';
import { wayAlong } from '../frames/along';
import { bentColumn } from './bent';
import { panelledColumn } from './panels';
import { contentShowing } from '../frames/showing';
import type { Shown } from '../frames/shown';

/** What fell into one column: blocks `from` up to `to`, the first of them paragraph `leaf`; and what was made of it. */
interface Share {
  readonly column: Column;
  readonly from: number;
  readonly to: number;
  readonly leaf: number;
  readonly made: TextColumn;
}

export interface SetColumns {
  readonly filled: Filled;
  readonly frames: readonly Shown[];
  /** Paragraphs before each block. */
  readonly leaves: Int32Array;
  readonly shares: readonly Share[];
  readonly items: ReadonlyMap<string, TextItem>;
}

/**
 * The columns of a filled text as they are painted, frame by frame. A column into which the same blocks fell as
 * before is the same object, and so is a frame all of whose columns are.
 */
export function itemsOf(text: string, frames: readonly Shown[], filled: Filled, earlier: SetColumns | undefined): SetColumns {
  const { columns, blocks } = filled;
  const stirred = earlier?.frames === frames ? stirredColumns(earlier, filled) : undefined;
  const [low, high] = stirred ?? [0, columns.length - 1];
  if (stirred && low > high) return { ...earlier!, filled };
  const leaves = stirred ? earlier!.leaves : leavesBefore(blocks);
  const shares = stirred ? [...earlier!.shares] : new Array<Share>(columns.length);
  share(filled, leaves, low, high, earlier, shares);
  const reached = new Set<string>();
  for (let c = low; c <= high; c++) if (!columns[c]!.overset) reached.add(columns[c]!.frame);
  // A frame's columns follow one another: those of the first and the last frame reached may begin before, or end behind.
  let begin = low;
  while (begin > 0 && columns[begin - 1]!.frame === columns[low]!.frame) begin--;
  let end = high;
  while (end + 1 < columns.length && columns[end + 1]!.frame === columns[high]!.frame) end++;
  const own = new Map<string, TextColumn[]>();
  for (let c = begin; c <= end; c++) {
    const { column, made } = shares[c]!;
    if (!reached.has(column.frame)) continue;
    const list = own.get(column.frame);
    if (list) list.push(made);
    else own.set(column.frame, [made]);
  }
  const items = new Map(stirred ? earlier!.items : undefined);
  for (const shown of frames) {
    if (shown.frame.content.type !== 'text' || (stirred && !reached.has(shown.frame.id))) continue;
    const mine = own.get(shown.frame.id) ?? [];
    const before = earlier?.items.get(shown.key);
    const item = before && made.get(before)?.shown === shown && sameList(made.get(before)!.columns, mine) ? before : undefined;
    const now = item ?? textItem(text, shown, shown.frame.content, mine);
    if (!item) made.set(now, { shown, columns: mine });
    items.set(shown.key, now);
  }
  return { filled, frames, leaves, shares, items };
}

function leavesBefore(blocks: readonly PlacedBlock[]): Int32Array {
  const out = new Int32Array(blocks.length + 1);
  for (let i = 0; i < blocks.length; i++) out[i + 1] = out[i]! + blocks[i]!.leaves;
  return out;
}

const firstColumn = (block: PlacedBlock): number => block.lines[0]?.column ?? block.end.column;

/**
 * The columns that blocks which changed stand in, or stood in, from and to; none of them where nothing changed.
 * Undefined where columns changed, or the number of blocks, or of paragraphs in them.
 */
function stirredColumns({ filled: old }: SetColumns, { columns, blocks }: Filled): readonly [number, number] | undefined {
  const n = blocks.length;
  if (old.columns !== columns || old.blocks.length !== n) return undefined;
  let first = 0;
  while (first < n && old.blocks[first] === blocks[first]) first++;
  let last = n - 1;
  while (last > first && old.blocks[last] === blocks[last]) last--;
  let low = columns.length;
  let high = -1;
  for (let i = first; i <= last && i < n; i++) {
    const [before, now] = [old.blocks[i]!, blocks[i]!];
    if (before.leaves !== now.leaves) return undefined;
    low = Math.min(low, firstColumn(before), firstColumn(now));
    high = Math.max(high, before.end.column, now.end.column);
  }
  return [low, high];
}

/** Works out what fell into the columns from `low` to `high`. */
function share(
  { columns, blocks }: Filled,
  leaves: Int32Array,
  low: number,
  high: number,
  earlier: SetColumns | undefined,
  shares: Share[],
): void {
  const n = high - low + 1;
  const from = new Int32Array(n).fill(-1);
  const to = new Int32Array(n);
  for (let i = firstReaching(blocks, low); i < blocks.length; i++) {
    const block = blocks[i]!;
    const first = firstColumn(block);
    if (first > high) break;
    for (let c = Math.max(first, low); c <= block.end.column && c <= high; c++) {
      if (from[c - low]! < 0) from[c - low] = i;
      to[c - low] = i + 1;
    }
  }
  for (let c = low; c <= high; c++) {
    const column = columns[c]!;
    const before = earlier?.shares[c];
    const begins = Math.max(0, from[c - low]!);
    const own = { column, from: begins, to: to[c - low]!, leaf: from[c - low]! < 0 ? 0 : leaves[begins]! };
    const same =
      before && before.column === column && before.leaf === own.leaf && sameBlocks(earlier!.filled.blocks, before, blocks, own);
    shares[c] = !same
      ? { ...own, made: textColumn(column, c, blocks, own) }
      : before.from === own.from
        ? before
        : { ...own, made: before.made };
  }
}

/** The first block that ends in a column or behind it: they stand in the order of their columns. */
function firstReaching(blocks: readonly PlacedBlock[], column: number): number {
  let low = 0;
  let high = blocks.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (blocks[middle]!.end.column < column) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** What an item was made of, before its lines were moved to where the frame wants them. */
const made = new WeakMap<TextItem, { readonly shown: Shown; readonly columns: readonly TextColumn[] }>();

function sameBlocks(
  old: readonly PlacedBlock[],
  before: Pick<Share, 'from' | 'to'>,
  now: readonly PlacedBlock[],
  share: Pick<Share, 'from' | 'to'>,
): boolean {
  const n = share.to - share.from;
  if (before.to - before.from !== n) return false;
  for (let i = 0; i < n; i++) if (old[before.from + i] !== now[share.from + i]) return false;
  return true;
}

const sameList = (a: readonly unknown[], b: readonly unknown[]): boolean => {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
};

function textColumn(
  column: Column,
  index: number,
  blocks: readonly PlacedBlock[],
  { from, to, leaf }: Pick<Share, 'from' | 'to' | 'leaf'>,
): TextColumn {
  const lines: Line[] = [];
  const paragraphs: number[] = [];
  let first = leaf;
  for (let i = from; i < to; i++) {
    const block = blocks[i]!;
    for (const placed of block.lines) {
      if (placed.column !== index) continue;
      lines.push(placed.line);
      paragraphs.push(placed.leaf < 0 ? -1 : first + placed.leaf);
    }
    first += block.leaves;
  }
  return { box: column.box, lines, paragraphs };
}

function textItem(text: string, shown: Shown, content: TextContent, columns: TextColumn[]): TextItem {
  const { local, transform, frame } = shown;
  const inset = sidesOf(content.inset);
  let foot = local.y;
  for (const { lines } of columns) {
    const last = lines[lines.length - 1];
    if (last) foot = Math.max(foot, last.baseline + last.descent);
  }
  const h = content.grows ? Math.max(foot - local.y, 1) + inset.bottom : local.h;
  const box: Box = { ...local, h };
  const bottom = local.y + local.h - inset.bottom;
  const aligned = content.along
    ? columns.map((column) => bentColumn(column, wayAlong(frame.shape, local, content.along!)))
    : content.grows || content.align === 'top'
      ? columns
      : columns.map((column) => alignedColumn(column, content, bottom));
  const panelled = aligned.map(panelledColumn);
  const area = content.grows && !content.turns ? { ...frame.box, h } : frame.box;
  return {
    type: 'text',
    frame: frame.id,
    text,
    box,
    columns: panelled,
    ...contentShowing(frame, area, shown.rotated),
    transform,
  };
}

const alignedColumns = new WeakMap<TextColumn, { readonly key: string; readonly column: TextColumn }>();

/** A column with its lines moved to where the frame wants them between its top and `bottom`. */
function alignedColumn(column: TextColumn, content: TextContent, bottom: number): TextColumn {
  const last = column.lines[column.lines.length - 1];
  if (!last) return column;
  const extra = bottom - (last.baseline + (content.align === 'spread' ? 0 : last.descent));
  if (extra < 0.05) return column;
  const key = `${content.align} ${content.spreadMost} ${bottom}`;
  const kept = alignedColumns.get(column);
  if (kept?.key === key) return kept.column;
  const moves = content.align === 'spread' ? spread(column, extra, content.spreadMost ?? 12) : undefined;
  const whole = content.align === 'centre' ? extra / 2 : extra;
  const lines = column.lines.map((line, i) => movedLine(line, 0, moves ? moves[i]! : whole));
  const own = { ...column, lines };
  alignedColumns.set(column, { key, column: own });
  return own;
}

/**
 * How far each line goes down when a column is spread over its height: first the gaps between paragraphs open, up to
 * `most` each, then those between lines, up to a fifth of it; what that leaves stays at the foot.
 */
function spread({ lines, paragraphs }: TextColumn, extra: number, most: number): number[] {
  const gaps = lines.map((line, i) => {
    const before = lines[i - 1];
    if (!before || Math.abs(line.baseline - before.baseline) < 0.01) return 0;
    return paragraphs[i] !== paragraphs[i - 1] ? 2 : 1;
  });
  const wide = gaps.filter((gap) => gap === 2).length;
  const perGap = wide > 0 ? Math.min(most, extra / wide) : 0;
  const left = extra - perGap * wide;
  const rows = gaps.filter((gap) => gap > 0).length;
  const perRow = rows > 0 && left > 0.01 ? Math.min(most / 5, left / rows) : 0;
  let down = 0;
  return gaps.map((gap) => (down += gap === 0 ? 0 : perRow + (gap === 2 ? perGap : 0)));
}
