import { countWords, paragraphsOf, plainText } from '../../records/body';
import type { Node } from 'prosemirror-model';
import { counted } from '../../records/count';
import type { Filled, PlacedBlock } from '../column/placed';

/** How a text fits its frames. */
export interface Fit {
  /** Lines that no frame shows, and the words in them. */
  readonly oversetLines: number;
  readonly oversetWords: number;
  /** Where in the text the overset begins: paragraph and character; undefined when all is shown. */
  readonly oversetFrom: { readonly paragraph: number; readonly offset: number } | undefined;
  /** Lines of the last paragraph's style for which the frames still have room. */
  readonly room: number;
  readonly lines: number;
  /** Lines longer than their space, and styles' wishes that gave way. */
  readonly overfull: number;
  readonly gaveWay: number;
  /** Characters that no face has, and what was asked of a face that lacks it: weights, features, characters of other scripts. */
  readonly missing: number;
  readonly lacks: readonly string[];
  /** Fields or jump lines kept changing the layout; it stopped after a stated number of passes. */
  readonly unsettled: boolean;
}

const NOTHING: readonly string[] = [];

/** What is counted over all blocks of a text. */
export type Counts = Pick<Fit, 'lines' | 'overfull' | 'gaveWay' | 'missing' | 'lacks'>;

const ZERO: Counts = { lines: 0, overfull: 0, gaveWay: 0, missing: 0, lacks: NOTHING };

/** Counts over blocks; from those of an earlier filling, only what changed is counted. */
export function countsOf(
  blocks: readonly PlacedBlock[],
  earlier?: { readonly blocks: readonly PlacedBlock[]; readonly counts: Counts },
): Counts {
  // What a face lacks is named once, however many blocks ask for it: it cannot be taken off for one of them.
  if (!earlier || earlier.counts.lacks.length > 0) return added(ZERO, blocks, 0, blocks.length, 1);
  const old = earlier.blocks;
  const most = Math.min(old.length, blocks.length);
  let head = 0;
  while (head < most && old[head] === blocks[head]) head++;
  let foot = 0;
  while (foot < most - head && old[old.length - 1 - foot] === blocks[blocks.length - 1 - foot]) foot++;
  return added(added(earlier.counts, old, head, old.length - foot, -1), blocks, head, blocks.length - foot, 1);
}

function added(to: Counts, blocks: readonly PlacedBlock[], from: number, end: number, sign: 1 | -1): Counts {
  let { lines, overfull, gaveWay, missing, lacks } = to;
  for (let i = from; i < end; i++) {
    const block = blocks[i]!;
    lines += sign * block.lines.length;
    for (const warning of block.warnings) {
      if (warning === 'overfull') overfull += sign;
      else if (warning !== 'missing') gaveWay += sign;
    }
    const { prepared } = block;
    if (!prepared) continue;
    missing += sign * prepared.missing;
    if (prepared.lacks.length > 0) lacks = [...new Set([...lacks, ...prepared.lacks])];
  }
  return { lines, overfull, gaveWay, missing, lacks };
}

/** @param leaves paragraphs before each block */
export function fitOf(filled: Filled, leaves: Int32Array, counts: Counts, unsettled = false): Fit {
  const { columns, blocks } = filled;
  let oversetLines = 0;
  let oversetWords = 0;
  let oversetFrom: Fit['oversetFrom'];
  // The overset lies at the end.
  let first = blocks.length;
  while (first > 0 && columns[blocks[first - 1]!.end.column]!.overset) first--;
  for (let i = first; i < blocks.length; i++) {
    const own = oversetOf(blocks[i]!, filled);
    oversetLines += own.lines;
    oversetWords += own.words;
    if (own.from) oversetFrom ??= { paragraph: leaves[i]! + own.from.leaf, offset: own.from.offset };
  }
  const room = oversetLines > 0 ? 0 : roomLeft(filled);
  return { oversetLines, oversetWords, oversetFrom, room, ...counts, unsettled };
}

function oversetOf(block: PlacedBlock, { columns }: Filled) {
  let lines = 0;
  let words = 0;
  let from: { leaf: number; offset: number } | undefined;
  for (const { column, line, leaf, a } of block.lines) {
    if (!columns[column]!.overset) continue;
    lines++;
    if (leaf < 0) continue;
    const first = line.runs.find((run) => !run.added || run.to > run.from);
    from ??= { leaf, offset: first?.from ?? lineStart(block, a) };
    if (!block.prepared) words += countWords(line.runs.map((run) => run.text).join(' '));
  }
  if (from && block.prepared) {
    const { positions, text } = block.prepared;
    words = countWords(text.slice(positions ? Math.max(0, positions.indexOf(from.offset)) : from.offset));
  }
  return { lines, words, from };
}

/** Where a line without words begins in its paragraph. */
function lineStart({ prepared }: PlacedBlock, a: number): number {
  if (!prepared) return 0;
  const at = prepared.next[a]!;
  return prepared.positions ? prepared.positions[at]! : at;
}

/** The text that no frame shows; `''` when all is shown. */
export function oversetText(body: Node, fit: Fit): string {
  if (!fit.oversetFrom) return '';
  const { paragraph, offset } = fit.oversetFrom;
  return paragraphsOf(body)
    .slice(paragraph)
    .map((node, i) => plainText(node).slice(i === 0 ? offset : 0))
    .join('\n');
}

function roomLeft({ columns, blocks }: Filled): number {
  const last = blocks[blocks.length - 1];
  if (!last || columns[last.end.column]!.endless) return 0;
  const leading = last.prepared?.style.leading ?? columns[last.end.column]!.grid?.step ?? 12;
  let room = 0;
  for (let c = last.end.column; c < columns.length && !columns[c]!.endless; c++) {
    const { box } = columns[c]!;
    const from = c === last.end.column ? last.end.y : box.y;
    room += Math.max(0, Math.floor((box.y + box.h - from + 0.01) / leading));
  }
  return room;
}

/** A fit in words: "11 lines over", "room for 4 lines", "fits". */
export function fitWords(fit: Pick<Fit, 'oversetLines' | 'room'>): string {
  const lines = (n: number) => counted(n, 'line');
  if (fit.oversetLines > 0) return `${lines(fit.oversetLines)} over`;
  return fit.room > 0 ? `room for ${lines(fit.room)}` : 'fits';
}
