import { type Box, overlaps } from '../../geometry/box';
import type { Exclusion } from '../../geometry/exclusion';
import { pageGrid } from '../../page/grid';
import type { FormatRecord } from '../../records/index';
import { sidesOf, type TextAlong, type TextContent } from '../../records/frame';
import { wayAlong } from './along';
import { type Around, outsideOf, seenFrom } from './around';
import type { Column, Divisible } from './column';
import { contourOf, outlineOf } from './contours';
import type { Shown, Thread } from './shown';

/** What jump lines take of a frame: points at the head of its first column and at the foot of its last. */
export interface Reserved {
  readonly head: number;
  readonly foot: number;
}

export const NOTHING_RESERVED: Reserved = { head: 0, foot: 0 };

/** A thread ready to be filled: its columns as they simply follow one another, and its frames where they must be divided. */
export interface ThreadColumns {
  readonly columns: readonly Column[];
  readonly frames: readonly Divisible[];
  readonly beyond: Column | undefined;
  /** Frames balance their columns. */
  readonly balanced: boolean;
}

/** Text may hang below its column and stand above its top by part of a line, so exclusions a little further off count. */
const LOOK = 24;

/** This many divided columns are kept before their memory begins anew. */
const MOST_KEPT = 20_000;

/** Makes the columns of threads, the same objects as long as nothing about them changes: identity is what later stages go by. */
export class Columns {
  readonly #kept = new Map<string, Column>();
  readonly #threads = new Map<string, { readonly made: readonly unknown[]; readonly columns: ThreadColumns }>();
  readonly #shapes = new WeakMap<object, Exclusion>();

  /** @param backwards the text's columns follow one another from the right */
  of(thread: Thread, format: FormatRecord, around: Around, reserved: readonly Reserved[], backwards: boolean): ThreadColumns {
    const parts: unknown[] = [thread.frames, format, backwards];
    for (const { page } of thread.frames) parts.push(around.bySpread.get(page.spread));
    for (const { head, foot } of reserved) parts.push(head, foot);
    const before = this.#threads.get(thread.key);
    if (before && before.made.length === parts.length && parts.every((part, i) => part === before.made[i])) return before.columns;
    if (this.#kept.size > MOST_KEPT) this.#kept.clear();
    const frames = thread.frames.map((shown, i) =>
      this.#divisible(thread, shown, format, around, reserved[i] ?? NOTHING_RESERVED, backwards),
    );
    const columns = frames.flatMap((frame) => frame.columns(frame.top, frame.foot, false));
    const last = columns[columns.length - 1]!;
    let beyond: Column | undefined;
    if (!last.endless) {
      beyond = this.#same(`${thread.key} beyond`, {
        ...last,
        frame: '',
        exclusions: [],
        endless: true,
        overset: true,
        box: { ...last.box, y: last.box.y + last.box.h },
      });
    }
    const made: ThreadColumns = {
      columns: beyond ? [...columns, beyond] : columns,
      frames,
      beyond,
      balanced: frames.some((frame) => frame.balanced),
    };
    this.#threads.set(thread.key, { made: parts, columns: made });
    return made;
  }

  forget(live: ReadonlySet<string>): void {
    for (const key of this.#threads.keys()) if (!live.has(key)) this.#threads.delete(key);
  }

  #divisible(
    thread: Thread,
    shown: Shown,
    format: FormatRecord,
    around: Around,
    reserved: Reserved,
    backwards: boolean,
  ): Divisible {
    const { frame, page, local, transform } = shown;
    const content = frame.content as TextContent;
    const inset = sidesOf(content.inset);
    const inner: Box = {
      x: local.x + inset.left,
      y: local.y + inset.top,
      w: Math.max(0, local.w - inset.left - inset.right),
      h: Math.max(0, local.h - inset.top - inset.bottom),
    };
    if (content.along) return this.#along(thread, shown, content.along);
    const pageLines = pageGrid(format, page.master, page.side);
    const grid = transform ? undefined : { origin: pageLines.first, step: pageLines.step };
    const exclusions = content.ignoresWraps
      ? []
      : (around.bySpread.get(page.spread) ?? [])
          .filter((each) => !thread.frames.some(({ frame: { id } }) => around.owners.get(each)!.has(id)))
          .filter(({ ground }) => !ground || !liesIn({ ...frame.box, x: frame.box.x + page.dx }, ground))
          .map((each) => seenFrom(each, page.dx, transform));
    const outside = frame.shape && frame.shape.type !== 'rectangle' && !content.grows ? [this.#outside(shown, content)] : [];
    const foot = inner.y + inner.h;
    return {
      top: inner.y,
      foot,
      balanced: content.balanced === true && content.columns > 1,
      grows: content.grows,
      columns: (from, foremost, spanning, short, less = 0) => {
        const count = spanning ? 1 : content.columns;
        const w = Math.max(0, (inner.w - content.gutter * (count - 1)) / count);
        return Array.from({ length: count }, (_, i) => {
          const to = i >= count - (short ?? 0) ? foremost - less : foremost;
          const head = i === 0 && Math.abs(from - inner.y) < 0.01 ? reserved.head : 0;
          const endless = content.grows && short === undefined && i === count - 1 && to >= foot;
          const end = to - (i === count - 1 && to >= foot ? reserved.foot : 0);
          const place = backwards ? count - 1 - i : i;
          const box = { x: inner.x + place * (w + content.gutter), y: from + head, w, h: Math.max(0, end - from - head) };
          const looked = { x: box.x, y: box.y - LOOK, w, h: endless ? 1e6 : box.h + 2 * LOOK };
          const own = exclusions.filter((each) => overlaps(each.reach, looked));
          return this.#same(`${thread.key} ${frame.id} ${spanning ? 's' : i} ${from} ${to}`, {
            frame: frame.id,
            page: page.page.id,
            number: page.number,
            side: page.side,
            box,
            grid,
            first: content.firstBaseline ?? 'ascent',
            exclusions: [...outside, ...own],
            endless,
            overset: false,
          });
        });
      },
    };
  }

  /** One line as long as the way that it goes; where it goes is seen when it is painted. */
  #along(thread: Thread, { frame, page, local }: Shown, along: TextAlong): Divisible {
    const box = { ...local, w: wayAlong(frame.shape, local, along).length, h: 0 };
    const column = this.#same(`${thread.key} ${frame.id} along`, {
      frame: frame.id,
      page: page.page.id,
      number: page.number,
      side: page.side,
      box,
      grid: undefined,
      first: 0,
      exclusions: [],
      endless: false,
      overset: false,
    });
    return { top: box.y, foot: box.y, balanced: false, grows: false, columns: () => [column] };
  }

  /** What of the frame's box lies outside its shape, its insets kept from the edge. */
  #outside({ frame, local }: Shown, content: TextContent): Exclusion {
    let own = this.#shapes.get(frame);
    if (!own) this.#shapes.set(frame, (own = outsideOf(outlineOf(contourOf(frame.shape, local)), sidesOf(content.inset))));
    return own;
  }

  /** The column as it was, where nothing about it changed. */
  #same(key: string, column: Column): Column {
    const kept = this.#kept.get(key);
    if (
      kept &&
      kept.page === column.page &&
      kept.number === column.number &&
      kept.side === column.side &&
      kept.frame === column.frame &&
      kept.endless === column.endless &&
      kept.first === column.first &&
      kept.box.x === column.box.x &&
      kept.box.y === column.box.y &&
      kept.box.w === column.box.w &&
      kept.box.h === column.box.h &&
      kept.grid?.origin === column.grid?.origin &&
      kept.grid?.step === column.grid?.step &&
      kept.exclusions.length === column.exclusions.length &&
      kept.exclusions.every((each, i) => sameExclusion(each, column.exclusions[i]!))
    ) {
      return kept;
    }
    this.#kept.set(key, column);
    return column;
  }
}

/** Whether a box lies wholly in another, but for a hair. */
const liesIn = (box: Box, ground: Box): boolean =>
  box.x >= ground.x - 0.5 &&
  box.y >= ground.y - 0.5 &&
  box.x + box.w <= ground.x + ground.w + 0.5 &&
  box.y + box.h <= ground.y + ground.h + 0.5;

const sameExclusion = (a: Exclusion, b: Exclusion): boolean =>
  a === b || (a.outline === b.outline && a.standOff === b.standOff && a.flow === b.flow && a.inside === b.inside);
