import type { Box } from '../geometry/box';
import type { Column } from './column';
import type { Line, TextColumn, TextItem } from './displayList';
import type { Filled, PlacedBlock } from './fill';
import { movedLine } from './place';
import { sidesOf, type TextContent } from '../records/frame';
import { type Shown, shownKey } from './shown';

/** What fell into one column: blocks `from` up to `to`, the first of them paragraph `leaf`; and what was made of it. */
interface Share {
  readonly column: Column;
  readonly from: number;
  readonly to: number;
  readonly leaf: number;
  readonly made: TextColumn;
}

export interface SetColumns {
  readonly blocks: readonly PlacedBlock[];
  readonly shares: readonly Share[];
  readonly items: ReadonlyMap<string, TextItem>;
}

/**
 * The columns of a filled text as they are painted, frame by frame. A column into which the same blocks fell as
 * before is the same object, and so is a frame all of whose columns are.
 */
export function itemsOf(text: string, frames: readonly Shown[], filled: Filled, earlier: SetColumns | undefined): SetColumns {
  const { columns, blocks } = filled;
  const from = new Int32Array(columns.length).fill(-1);
  const to = new Int32Array(columns.length);
  const first = new Int32Array(columns.length);
  let leaf = 0;
  for (let i = 0; i < blocks.length; i++) {
    const block = blocks[i]!;
    for (let c = block.lines[0]?.column ?? block.end.column; c <= block.end.column; c++) {
      if (from[c]! < 0) {
        from[c] = i;
        first[c] = leaf;
      }
      to[c] = i + 1;
    }
    leaf += block.leaves;
  }
  const shares = columns.map((column, c): Share => {
    const before = earlier?.shares[c];
    const share = { column, from: Math.max(0, from[c]!), to: to[c]!, leaf: first[c]! };
    if (before && before.column === column && before.leaf === share.leaf && sameBlocks(earlier.blocks, before, blocks, share))
      return before.from === share.from ? before : { ...share, made: before.made };
    return { ...share, made: textColumn(column, c, blocks, share) };
  });
  const own = new Map<string, TextColumn[]>();
  for (const { column, made } of shares) {
    if (column.overset) continue;
    const list = own.get(column.frame);
    if (list) list.push(made);
    else own.set(column.frame, [made]);
  }
  const items = new Map<string, TextItem>();
  for (const shown of frames) {
    if (shown.frame.content.type !== 'text') continue;
    const key = shownKey(shown);
    const mine = own.get(shown.frame.id) ?? [];
    const before = earlier?.items.get(key);
    const item = before && made.get(before)?.shown === shown && sameList(made.get(before)!.columns, mine) ? before : undefined;
    const now = item ?? textItem(text, shown, shown.frame.content, mine);
    if (!item) made.set(now, { shown, columns: mine });
    items.set(key, now);
  }
  return { blocks, shares, items };
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
  const aligned =
    content.grows || content.align === 'top' ? columns : columns.map((column) => alignedColumn(column, content, bottom));
  return { type: 'text', frame: frame.id, text, box, columns: aligned, transform, opacity: frame.opacity };
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
