import { countWords, paragraphsOf, plainText } from '../records/body';
import type { BodyNode } from '../records/text';
import type { Filled, PlacedBlock } from './fill';

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

export function fitOf(filled: Filled, unsettled = false): Fit {
  const { columns, blocks } = filled;
  let oversetLines = 0;
  let oversetWords = 0;
  let oversetFrom: Fit['oversetFrom'];
  let lines = 0;
  let overfull = 0;
  let gaveWay = 0;
  let missing = 0;
  let lacks = NOTHING;
  let leaf = 0;
  for (const block of blocks) {
    lines += block.lines.length;
    for (const warning of block.warnings) {
      if (warning === 'overfull') overfull++;
      else if (warning !== 'missing') gaveWay++;
    }
    if (block.prepared) {
      missing += block.prepared.missing;
      if (block.prepared.lacks.length > 0) lacks = [...new Set([...lacks, ...block.prepared.lacks])];
    }
    if (columns[block.end.column]!.overset) {
      const own = oversetOf(block, filled);
      oversetLines += own.lines;
      oversetWords += own.words;
      if (own.from) oversetFrom ??= { paragraph: leaf + own.from.leaf, offset: own.from.offset };
    }
    leaf += block.leaves;
  }
  const room = oversetLines > 0 ? 0 : roomLeft(filled);
  return { oversetLines, oversetWords, oversetFrom, room, lines, overfull, gaveWay, missing, lacks, unsettled };
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
export function oversetText(body: BodyNode, fit: Fit): string {
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
  const lines = (n: number) => `${n} line${n === 1 ? '' : 's'}`;
  if (fit.oversetLines > 0) return `${lines(fit.oversetLines)} over`;
  return fit.room > 0 ? `room for ${lines(fit.room)}` : 'fits';
}
