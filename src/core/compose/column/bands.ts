import type { Column, Divisible } from '../frames/column';
import { type Cursor, topOf } from './cursor';
import { fill, type Fillable } from './fill';
import type { Filled, PlacedBlock } from './placed';

/** Heights tried when columns are made of one height, before the best found so far is taken. */
const MOST_TRIES = 12;

/**
 * Fills frames whose columns do not simply run from top to foot: crossheads span them, and what stands above such a
 * head, or at the end of a balanced frame, is made of one height.
 *
 * @param beyond the endless column behind the last frame
 */
export function fillBands(
  blocks: readonly Fillable[],
  frames: readonly Divisible[],
  beyond: Column | undefined,
  earlier: Filled | undefined,
): Filled {
  const columns: Column[] = [];
  const placed: PlacedBlock[] = [];
  let frame = 0;
  let top = frames[0]!.top;
  let after = 0;
  let over = false;

  const rest = (from: number, y: number, spanning: boolean): Column[] => {
    const list: Column[] = [];
    for (let f = from; f < frames.length && !over; f++) {
      const of = frames[f]!;
      list.push(...of.columns(f === from ? y : of.top, of.foot, spanning));
    }
    if (beyond) list.push(beyond);
    return list;
  };
  const ownerOf = (from: number, y: number, spanning: boolean, index: number): number => {
    let count = 0;
    for (let f = from; f < frames.length; f++) {
      count += frames[f]!.columns(f === from ? y : frames[f]!.top, frames[f]!.foot, spanning).length;
      if (index < count) return f;
    }
    return frames.length;
  };
  const footOf = (list: readonly PlacedBlock[], within: (column: number) => boolean, none: number): number => {
    let foot = none;
    for (const block of list) {
      for (const { column, line } of block.lines) if (within(column)) foot = Math.max(foot, line.baseline + line.descent);
      if (within(block.end.column)) foot = Math.max(foot, block.end.edge ? block.end.y : foot);
    }
    return foot;
  };

  let i = 0;
  while (i < blocks.length) {
    const spanning = isSpanning(blocks[i]!);
    let to = i + 1;
    while (!spanning && to < blocks.length && !isSpanning(blocks[to]!)) to++;
    const part = blocks.slice(i, to);
    const base = columns.length;
    const atTop = frame < frames.length && Math.abs(top - frames[frame]!.top) < 0.01;
    const begin = (list: readonly Column[]): Cursor => ({
      ...topOf([...columns, ...list], base),
      atTop: atTop || !spanning,
      after,
    });
    const run = (list: readonly Column[]) => fill(part, [...columns, ...list], earlier, { from: begin(list), shift: i });

    let list = rest(frame, top, spanning);
    let done = run(list);
    let end = done[done.length - 1]!.end.column - base;
    const owner = over ? frames.length : ownerOf(frame, top, spanning, end);
    if (spanning && owner < frames.length) {
      // A head needs room for what it stands over.
      const foot = footOf(done, (column) => column === base + end, top);
      const style = part[0]!.type === 'paragraph' ? part[0]!.source.style : undefined;
      const needs = (style?.keepNext ?? 0) * (frames[owner]!.grows ? 0 : 1) * leadingOf(blocks[to]);
      const fresh = owner !== frame || atTop;
      if (!fresh && !frames[owner]!.grows && foot + needs > frames[owner]!.foot && to < blocks.length) {
        frame = owner + 1;
        top = frame < frames.length ? frames[frame]!.top : top;
        over = frame >= frames.length;
        after = 0;
        continue;
      }
    } else if (!spanning && owner < frames.length && (to < blocks.length || frames[owner]!.balanced)) {
      const y = owner === frame ? top : frames[owner]!.top;
      const before = list.length - rest(owner, y, false).length;
      const own = frames[owner]!.columns(y, frames[owner]!.foot, false).length;
      if (own > 1) {
        const fitted = balanced(
          (height, short, less) => {
            const lower = frames[owner]!.columns(y, y + height, false, short, less);
            return [...list.slice(0, before), ...lower, ...list.slice(before + own)];
          },
          run,
          done,
          { first: base + before, count: own, top: y },
          frames[owner]!.foot - y,
          frames[owner]!.grows,
        );
        if (fitted) {
          ({ list, done } = fitted);
          end = Math.max(before + own - 1, done[done.length - 1]!.end.column - base);
        }
      }
    }
    placed.push(...done);
    columns.push(...list.slice(0, end + 1));
    if (owner >= frames.length) {
      over = true;
      // What is over goes on behind what is over already.
      i = to;
      if (i < blocks.length) {
        placed.push(...fill(blocks.slice(i), columns, earlier, { from: done[done.length - 1]!.end, shift: i }));
        i = blocks.length;
      }
      break;
    }
    const y = owner === frame ? top : frames[owner]!.top;
    const first = base + (list.length - rest(owner, y, spanning).length);
    top = footOf(done, (column) => column >= first && column <= base + end, y);
    after = done[done.length - 1]!.end.after;
    if (spanning) top += after;
    frame = owner;
    i = to;
  }
  // Frames that the text does not reach keep their columns, for what is measured and shown of them.
  if (!over) {
    if (frame < frames.length && columns.length === 0) columns.push(...frames[frame]!.columns(top, frames[frame]!.foot, false));
    for (let f = frame + 1; f < frames.length; f++) columns.push(...frames[f]!.columns(frames[f]!.top, frames[f]!.foot, false));
    if (beyond) columns.push(beyond);
  }
  return { columns, blocks: placed };
}

const isSpanning = (block: Fillable): boolean => block.type === 'paragraph' && block.source.style.spans;

const leadingOf = (block: Fillable | undefined): number => (block?.type === 'paragraph' ? block.source.style.leading : 12);

interface Fitted {
  readonly list: Column[];
  readonly done: PlacedBlock[];
}

/** Columns that stand side by side, among all that are filled. */
interface Beside {
  readonly first: number;
  readonly count: number;
  /** Where all of them begin. */
  readonly top: number;
}

/** Where the search is narrowed by halving rather than line by line: lines between what holds and what does not. */
const COARSE = 4;

/**
 * Columns of one height that still hold what they hold: the least height; and with it as many of the
 * last of them a line shorter as can be, so that their feet differ by a line at most wherever keeps allow it.
 *
 * The search begins at the height that an even share of what stands in them has, and goes from one height that the columns
 * really take to the next: two or three fillings where nothing is in their way. It depends on nothing but what is filled, so that
 * a text that was changed a hundred times is set like one that is opened.
 *
 * @param unbalanced what stands in them where none is shorter than its frame
 */
function balanced(
  listFor: (height: number, short: number, less: number) => Column[],
  run: (list: readonly Column[]) => PlacedBlock[],
  unbalanced: readonly PlacedBlock[],
  beside: Beside,
  full: number,
  grows: boolean,
): Fitted | undefined {
  const { first, count, top } = beside;
  const fits = (done: readonly PlacedBlock[]) => done[done.length - 1]!.end.column < first + count;
  const step = usualLeading(unbalanced);
  const feet = feetOf(unbalanced, beside).map((foot) => Math.max(0, foot - top));
  const sum = feet.reduce((all, foot) => all + foot, 0);
  // A frame that grows has room for every line in one column, and for spaces between them.
  const limit = grows ? Math.max(full, sum + 40 * step) : full;
  let low = 0;
  let high = limit;
  let height = 0;
  let best: Fitted | undefined;
  let next = Math.min(limit, sum / count);
  let up = step;
  for (let tries = 0; tries < MOST_TRIES && high - low > HAIR; tries++) {
    const list = listFor(next, 0, 0);
    const done = run(list);
    if (fits(done)) {
      best = { list, done };
      height = next;
      // Between the height that was tried and the lowest line nothing changes.
      high = Math.max(0, Math.min(next, Math.max(...feetOf(done, beside)) - top) - HAIR);
    } else low = next;
    if (!best) {
      next = Math.min(limit, low + up);
      up *= 2;
    } else next = high - low > COARSE * step ? (low + high) / 2 : high;
  }
  if (!best) return undefined;
  let least = apart(best.done, beside);
  // A line more at most: keeps may leave a gap at the least height that they do not leave then.
  for (const tall of [height, height + step]) {
    if (least <= step + HAIR || (tall > full + HAIR && !grows)) break;
    for (let short = count - 1; short > 0; short--) {
      const list = listFor(tall, short, step);
      const done = run(list);
      if (!fits(done)) continue;
      const own = apart(done, beside);
      if (own < least - HAIR) {
        least = own;
        best = { list, done };
      }
      if (least <= step + HAIR) break;
    }
  }
  return best;
}

const HAIR = 0.01;

/** The last baselines of columns, −∞ for one that holds nothing. */
function feetOf(done: readonly PlacedBlock[], { first, count }: Beside): number[] {
  const feet = new Array<number>(count).fill(-Infinity);
  for (const { lines } of done)
    for (const { column, line } of lines) {
      const i = column - first;
      if (i >= 0 && i < count) feet[i] = Math.max(feet[i]!, line.baseline);
    }
  return feet;
}

/** How far the feet of columns are apart, points; a column that holds nothing ends at the height of the others' top. */
function apart(done: readonly PlacedBlock[], beside: Beside): number {
  let top = Infinity;
  for (const { lines } of done)
    for (const { column, line } of lines)
      if (column >= beside.first && column < beside.first + beside.count) top = Math.min(top, line.baseline - line.ascent);
  const all = feetOf(done, beside).map((foot) => (foot === -Infinity ? top : foot));
  return Math.max(...all) - Math.min(...all);
}

/** The leading of most lines of a text, points. */
function usualLeading(done: readonly PlacedBlock[]): number {
  const counts = new Map<number, number>();
  for (const { prepared, lines } of done)
    if (prepared) counts.set(prepared.style.leading, (counts.get(prepared.style.leading) ?? 0) + lines.length);
  let [usual, most] = [12, 0];
  for (const [leading, n] of counts) if (n > most) [usual, most] = [leading, n];
  return usual;
}
