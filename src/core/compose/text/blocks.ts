import type { Node } from 'prosemirror-model';
import type { Document } from '../../records/document';
import type { TextRecord } from '../../records/index';
import type { FigureAttrs, ParagraphAttrs } from '../../records/text';
import type { Inks } from '../displayList/inks';
import type { Fillable, Shared } from '../column/fill';
import { factorFor, type Room, roomIn } from './fittedType';
import type { Paragraphs } from './paragraphs';
import { ALONE, type Situation } from '../paragraph/setting';
import type { Thread } from '../frames/shown';
import { Tables } from './tables';

/** A text's blocks made ready for filling. */
export interface Blocks {
  readonly list: readonly Fillable[];
  /** Paragraphs in it reach over several columns. */
  readonly spans: boolean;
  /** How much of an earlier list is in it. */
  readonly shared: Shared | undefined;
}

/** A text's blocks made ready for filling, by what; and which of them was its story's last paragraph, −1 where none is. */
interface MadeReady extends Blocks {
  readonly by: readonly unknown[];
  readonly content: readonly Node[];
  readonly last: number;
}

const NO_VALUES: readonly string[] = [];

/** Makes the blocks of texts ready; those that nothing changed in stay the same objects. */
export class BlockMaker {
  readonly #paragraphs: Paragraphs;
  readonly #tables: Tables;
  readonly #kept = new Map<string, MadeReady>();

  constructor(paragraphs: Paragraphs, inks: Inks) {
    this.#paragraphs = paragraphs;
    this.#tables = new Tables(paragraphs, inks);
  }

  /** @param values what the fields of each paragraph show; undefined where the text has none */
  of(
    document: Document,
    thread: Thread,
    text: TextRecord,
    values: ((leaf: number, node: Node) => readonly string[]) | undefined,
  ): Blocks {
    const { content } = thread.frames[0]!.frame;
    const room = content.type === 'text' && content.fitsWidth ? roomIn(content, thread.frames[0]!.local) : undefined;
    const endsStory = text.role === 'body' && text.story !== undefined;
    const by = [this.#paragraphs.sheet, this.#paragraphs.setting, room?.width, room?.height, room?.first, endsStory];
    const { content: blocks } = text.body.content;
    const before = values ? undefined : this.#kept.get(thread.key);
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
      this.#kept.set(thread.key, ready);
      return ready;
    }
    let list = blocks.map((_, i) => make(i));
    if (room !== undefined) list = this.#fittedTo(room, list, blocks, met);
    const ready: MadeReady = { by, content: blocks, last, list, spans: list.some(spansColumns), shared: undefined };
    if (!values) this.#kept.set(thread.key, ready);
    return ready;
  }

  #fillable(document: Document, block: Node, situation: (node: Node) => Situation): Fillable {
    if (block.type.name === 'paragraph') {
      const attrs = block.attrs as ParagraphAttrs;
      const source = this.#paragraphs.prepared(block, situation(block));
      return { type: 'paragraph', source, startIn: attrs.startIn ?? source.style.startIn ?? undefined };
    }
    if (block.type.name === 'figure') {
      const attrs = block.attrs as FigureAttrs;
      const picture = this.#paragraphs.setting.picture(attrs.picture);
      const proportion = picture ? picture.height / picture.width : 0.5;
      let figure = figures.get(block);
      if (figure?.proportion !== proportion) figures.set(block, (figure = { attrs, proportion }));
      return { type: 'figure', source: figure, startIn: undefined };
    }
    return { type: 'table', source: this.#tables.of(document, block, situation), startIn: undefined };
  }

  /** Paragraphs at the size at which they fill their room. */
  #fittedTo(room: Room, list: readonly Fillable[], blocks: readonly Node[], met: readonly Situation[]): Fillable[] {
    const paragraphs = list.flatMap((block) => (block.type === 'paragraph' ? [block.source] : []));
    const factor = factorFor(room, paragraphs);
    if (factor === undefined) return [...list];
    return list.map((block, i) => {
      const node = blocks[i]!;
      if (block.type !== 'paragraph' || node.type.name !== 'paragraph') return block;
      const { style } = block.source;
      return { ...block, source: this.#paragraphs.scaled(node, style, met[i] ?? ALONE, factor) };
    });
  }

  /** Keeps only what threads with these keys were made of. */
  forget(live: ReadonlySet<string>): void {
    for (const key of this.#kept.keys()) if (!live.has(key)) this.#kept.delete(key);
  }
}

const figures = new WeakMap<Node, { attrs: FigureAttrs; proportion: number }>();

const spansColumns = (block: Fillable): boolean => block.type === 'paragraph' && block.source.style.spans;

/**
 * Blocks made ready where they are not: those before the first change and behind the last are taken over. The last
 * paragraph of a story is made by itself, and so is one that was the last and is not any more.
 */
function remade(blocks: readonly Node[], last: number, kept: MadeReady, make: (i: number) => Fillable): Blocks {
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
