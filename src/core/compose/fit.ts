import { countWords } from '../records/body';
import type { Filled } from './fill';

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
}

export function fitOf(filled: Filled): Fit {
  const { columns, paragraphs } = filled;
  let oversetLines = 0;
  let lines = 0;
  let oversetFrom: Fit['oversetFrom'];
  let oversetWords = 0;
  paragraphs.forEach((paragraph, index) => {
    let from: number | undefined;
    for (const { column, line } of paragraph.lines) {
      lines++;
      if (!columns[column]!.overset) continue;
      oversetLines++;
      from ??= line.runs.find((run) => !run.added || run.to > run.from)?.from ?? 0;
    }
    if (from !== undefined) {
      oversetFrom ??= { paragraph: index, offset: from };
      oversetWords += countWords(paragraph.prepared.text.slice(offsetOf(paragraph.prepared.positions, from)));
    }
  });
  const warnings = paragraphs.flatMap((paragraph) => paragraph.warnings);
  return {
    oversetLines,
    oversetWords,
    oversetFrom,
    room: oversetLines > 0 ? 0 : roomLeft(filled),
    lines,
    overfull: warnings.filter((each) => each === 'overfull').length,
    gaveWay: warnings.filter((each) => each !== 'overfull').length,
  };
}

const offsetOf = (positions: Uint32Array | undefined, position: number): number =>
  positions ? Math.max(0, positions.indexOf(position)) : position;

function roomLeft({ columns, paragraphs }: Filled): number {
  const last = paragraphs.at(-1);
  if (!last || columns[last.end.column]!.endless) return 0;
  const leading = last.prepared.style.leading;
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
