import type { Node } from 'prosemirror-model';
import { fieldValue } from '../../page/fields';
import { formatOf } from '../../page/pages';
import { fieldsOf } from '../../records/body';
import type { Document } from '../../records/document';
import type { TextRecord } from '../../records/index';
import { same } from '../../records/same';
import type { Around } from '../frames/around';
import { fillBands } from '../column/bands';
import { BlockMaker } from './blocks';
import type { Inks } from '../displayList/inks';
import type { Column } from '../frames/column';
import { runsRightToLeft } from '../paragraph/direction';
import type { TextColumn, TextItem } from '../displayList/displayList';
import { fill, type Fillable } from '../column/fill';
import { countsOf, type Counts, type Fit, fitOf } from './fit';
import { itemsOf, type SetColumns } from './items';
import { type JumpItem, JumpLines, NO_JUMPS } from './jumpLines';
import type { Paragraphs } from './paragraphs';
import type { Filled } from '../column/placed';
import { fieldFrames, framesReached, placeOf } from './places';
import type { Thread } from '../frames/shown';
import { Columns } from '../frames/threads';

/** What is remembered of a set text, to take over what did not change. */
export interface SetText {
  readonly list: readonly Fillable[];
  /** The columns that there were to be filled: those of bands are made of them. */
  readonly columns: readonly Column[];
  readonly filled: Filled;
  readonly set: SetColumns;
  readonly items: ReadonlyMap<string, readonly TextItem[]>;
  readonly counts: Counts;
  readonly fit: Fit;
  /** What no frame shows, where there is any. */
  readonly beyond: TextColumn | undefined;
}

/** Times a text is filled anew because a field or a jump line changed with the layout, before it is taken as it is. */
const MOST_PASSES = 6;

/** Sets texts into the frames of their threads; what nothing changed in is taken over from the last time. */
export class Texts {
  readonly #columns = new Columns();
  readonly #blocks: BlockMaker;
  readonly #jumpLines: JumpLines;
  readonly #kept = new Map<string, SetText>();

  constructor(paragraphs: Paragraphs, inks: Inks) {
    this.#blocks = new BlockMaker(paragraphs, inks);
    this.#jumpLines = new JumpLines(paragraphs, this.#columns);
  }

  set(document: Document, thread: Thread, text: TextRecord, around: Around): SetText {
    const earlier = this.#kept.get(thread.key);
    const jumps = thread.frames.some(({ frame: { content } }) => content.type === 'text' && (content.jumpTo ?? content.jumpFrom));
    const hasFields = holdsFields(text.body);
    const numbers = thread.frames.map(({ page }) => page.number);
    // At first every frame is taken to show text, and every field to stand on the first page.
    let reached: readonly number[] = numbers.map((_, i) => i);
    let places: readonly (readonly number[])[] | undefined;
    let result:
      { list: readonly Fillable[]; columns: readonly Column[]; filled: Filled; placed: readonly JumpItem[] } | undefined;
    let unsettled = false;
    for (let pass = 1; ; pass++) {
      const jump = jumps ? this.#jumpLines.of(document, thread, text, reached) : NO_JUMPS;
      const columns = this.#columns.of(thread, formatOf(document), around, jump.reserved, runsRightToLeft(text.body));
      const values = (leaf: number, node: Node) =>
        fieldsOf(node).map((attrs, i) => {
          const frame = places?.[leaf]?.[i] ?? 0;
          return fieldValue(document, attrs, placeOf(thread, numbers, reached, frame, text));
        });
      const { list, spans, shared } = this.#blocks.of(document, thread, text, hasFields ? values : undefined);
      if (earlier && !jumps && !hasFields && sameFilled(earlier, list, columns.columns) && sameShown(earlier, thread))
        return earlier;
      const filled: Filled =
        columns.balanced || spans
          ? fillBands(list, columns.frames, columns.beyond, earlier?.filled)
          : {
              columns: columns.columns,
              blocks: fill(list, columns.columns, earlier?.filled, { shared: shared?.of === earlier?.list ? shared : undefined }),
            };
      result = { list, columns: columns.columns, filled, placed: jump.items };
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
    const { list, columns, filled, placed } = result;
    const set = itemsOf(text.id, thread.frames, filled, earlier?.set);
    const items = new Map<string, readonly TextItem[]>();
    for (const [key, item] of set.items) items.set(key, [item]);
    for (const { key, item } of placed) items.set(key, [...(items.get(key) ?? []), item]);
    // Filling it for one place of its fields after another makes columns anew, also where they come out as they were.
    if (earlier && (jumps || hasFields)) for (const [key, own] of items) items.set(key, asBefore(earlier.items.get(key), own));
    const counts = countsOf(filled.blocks, earlier && { blocks: earlier.filled.blocks, counts: earlier.counts });
    const fit = fitOf(filled, set.leaves, counts, unsettled);
    const over = fit.oversetLines > 0 ? set.shares.at(-1) : undefined;
    const beyond = over?.column.overset ? over.made : undefined;
    const now: SetText = { list, columns, filled, set, items, counts, fit, beyond };
    this.#kept.set(thread.key, now);
    return now;
  }

  /** Lets go of texts that are no longer set. */
  forget(threads: readonly Thread[]): void {
    if (this.#kept.size <= threads.length) return;
    const live = new Set(threads.map(({ key }) => key));
    for (const key of this.#kept.keys()) if (!live.has(key)) this.#kept.delete(key);
    this.#blocks.forget(live);
    this.#columns.forget(live);
  }
}

/** Items that are as they were are the same objects: what is made of them later goes by that. */
function asBefore(before: readonly TextItem[] | undefined, now: readonly TextItem[]): readonly TextItem[] {
  if (!before) return now;
  return now.map((item, i) => (before[i] !== item && same(before[i], item) ? before[i]! : item));
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

function sameFilled({ list: old, columns }: SetText, list: readonly Fillable[], now: readonly Column[]): boolean {
  if (columns.length !== now.length || old.length !== list.length) return false;
  if (columns !== now) for (let i = 0; i < now.length; i++) if (columns[i] !== now[i]) return false;
  if (old !== list)
    for (let i = 0; i < list.length; i++)
      if (old[i] !== list[i] && (old[i]!.source !== list[i]!.source || old[i]!.startIn !== list[i]!.startIn)) return false;
  return true;
}

/** Whether a text is shown in the very frames in which it was set. */
const sameShown = (earlier: SetText, thread: Thread): boolean => earlier.set.frames === thread.frames;
