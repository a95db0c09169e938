import { type FieldPlace, fieldValue } from '../../page/fields';
import { formatOf } from '../../page/pages';
import { fieldsOf } from '../../records/body';
import { type Document, find } from '../../records/document';
import type { TextRecord } from '../../records/index';
import type { Around } from '../frames/around';
import type { Column } from '../frames/column';
import type { TextItem } from '../displayList/displayList';
import { fill, type Fillable } from '../column/fill';
import { movedLine } from '../displayList/line';
import type { Paragraphs } from './paragraphs';
import { placeOf } from './places';
import { contentShowing } from '../frames/showing';
import type { Shown, Thread } from '../frames/shown';
import { type Columns, NOTHING_RESERVED, type Reserved } from '../frames/threads';

export interface JumpItem {
  readonly key: string;
  readonly item: TextItem;
}

export interface Jumps {
  readonly reserved: readonly Reserved[];
  readonly items: readonly JumpItem[];
}

export const NO_JUMPS: Jumps = { reserved: [], items: [] };
/** Lines at the foot and head of a thread's frames that say where its text goes on and comes from. */
export class JumpLines {
  readonly #paragraphs: Paragraphs;
  readonly #columns: Columns;

  constructor(paragraphs: Paragraphs, columns: Columns) {
    this.#paragraphs = paragraphs;
    this.#columns = columns;
  }

  /** The jump lines of a thread whose text reaches these of its frames, and the room they take there. */
  of(document: Document, thread: Thread, text: TextRecord, reached: readonly number[]): Jumps {
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
      const values = fieldsOf(block).map((attrs) => fieldValue(document, attrs, place));
      return [{ type: 'paragraph', source: this.#paragraphs.prepared(block, { values, endsStory: false }), startIn: undefined }];
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
      ...contentShowing(shown.frame, shown.frame.box, shown.rotated),
      transform: shown.transform,
    };
    return { item, height };
  }
}
