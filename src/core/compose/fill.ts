import type { Shaper } from '../type/shaper';
import type { Broken } from './breaking';
import type { Column } from './column';
import type { Line } from './displayList';
import { firstFit } from './firstFit';
import type { Prepared } from './prepared';
import { setLine } from './setLine';
import { type Cursor, Slots, type Slot } from './slots';
import { totalFit, USUAL } from './totalFit';

/** A line and the column it stands in. */
export interface PlacedLine {
  readonly column: number;
  readonly line: Line;
}

/** One paragraph in its columns, with what is needed to know whether it would come out the same again. */
export interface PlacedParagraph {
  readonly prepared: Prepared;
  readonly start: Cursor;
  readonly startIn: string | undefined;
  /** It was sent to a new column, because it or what follows would not stand well where it began. */
  readonly moved: boolean;
  readonly lines: readonly PlacedLine[];
  readonly end: Cursor;
  readonly warnings: readonly Warning[];
}

/** A wish of a style that gave way to another, so that no text was lost. */
export type Warning = 'keep' | 'widow' | 'overfull';

export interface Filled {
  readonly columns: readonly Column[];
  readonly paragraphs: readonly PlacedParagraph[];
}

/** A paragraph to be filled in: prepared, with its wish to start afresh. */
export interface Fillable {
  readonly prepared: Prepared;
  readonly startIn: 'column' | 'frame' | 'page' | undefined;
}

/** Share of an em that ragged lines may fall short by at ratio 1. */
const RAG_EMS = 3;

const START: Cursor = { column: 0, y: 0, atTop: true, after: 0 };

/**
 * Fills columns with paragraphs, in order. The last column must be endless: whatever does not fit before it ends
 * up there, so that every line of the text is in exactly one place.
 *
 * Paragraphs of an earlier filling are taken over where nothing about them changed: the same prepared paragraph,
 * the same beginning, the same columns. So the work goes with the change and not with the length of the text.
 */
export function fill(paragraphs: readonly Fillable[], columns: readonly Column[], shaper: Shaper, earlier?: Filled): Filled {
  const done: PlacedParagraph[] = [];
  const moved = new Set<number>();
  const known = earlier && new Map(earlier.paragraphs.map((each) => [each.prepared, each]));
  let cursor: Cursor = { ...START, y: columns[0]!.box.y };

  for (let i = 0; i < paragraphs.length; i++) {
    const of = paragraphs[i]!;
    const start = moved.has(i) ? nextColumn(columns, cursor) : startedIn(columns, cursor, of.startIn);
    const before = known?.get(of.prepared);
    const kept = before && takeOver(before, of, start, moved.has(i), earlier!.columns, columns);
    const placed = kept ?? placeParagraph(of, start, moved.has(i), columns, shaper);
    done[i] = placed;
    const back = headingToMove(done, paragraphs, i, moved, columns);
    if (back !== undefined) {
      moved.add(back);
      done.length = back;
      cursor = back > 0 ? done[back - 1]!.end : { ...START, y: columns[0]!.box.y };
      i = back - 1;
      continue;
    }
    cursor = placed.end;
  }
  return { columns, paragraphs: done };
}

/** Takes a paragraph over from an earlier filling, if it would come out the same. */
function takeOver(
  before: PlacedParagraph,
  of: Fillable,
  start: Cursor,
  moved: boolean,
  old: readonly Column[],
  columns: readonly Column[],
): PlacedParagraph | undefined {
  const { start: was } = before;
  if (before.moved !== moved || before.startIn !== of.startIn) return undefined;
  if (was.column !== start.column || was.y !== start.y || was.atTop !== start.atTop || was.after !== start.after)
    return undefined;
  const to = before.lines.at(-1)?.column ?? start.column;
  for (let c = start.column; c <= to; c++) if (old[c] !== columns[c]) return undefined;
  return before;
}

function startedIn(columns: readonly Column[], cursor: Cursor, where: Fillable['startIn']): Cursor {
  if (where === undefined || (cursor.atTop && where === 'column')) return cursor;
  const here = columns[cursor.column]!;
  const last = columns.length - 1;
  let c = cursor.column + 1;
  if (cursor.atTop && (cursor.column === 0 || !sameUnit(columns[cursor.column - 1]!, here, where))) return cursor;
  while (c < last && sameUnit(here, columns[c]!, where)) c++;
  return topOf(columns, Math.min(c, last), cursor);
}

const sameUnit = (a: Column, b: Column, unit: 'column' | 'frame' | 'page'): boolean =>
  unit === 'frame' ? a.frame === b.frame : unit === 'page' ? a.page === b.page : false;

function nextColumn(columns: readonly Column[], cursor: Cursor): Cursor {
  return cursor.atTop ? cursor : topOf(columns, Math.min(cursor.column + 1, columns.length - 1), cursor);
}

function topOf(columns: readonly Column[], column: number, from: Cursor): Cursor {
  return column === from.column ? from : { column, y: columns[column]!.box.y, atTop: true, after: 0 };
}

/** Tries at getting orphans, widows and keeps right before the least important of them gives way. */
const MOST_TRIES = 6;

function placeParagraph(
  of: Fillable,
  start: Cursor,
  moved: boolean,
  columns: readonly Column[],
  shaper: Shaper,
): PlacedParagraph {
  const { prepared } = of;
  const warnings: Warning[] = [];
  const { style } = prepared;
  const cuts = new Map<number, number>();
  let slots = new Slots(columns, start, style, prepared.ascent, prepared.descent, cuts);
  const uniform = slots.uniform;
  let broken = breakParagraph(prepared, slots, uniform);
  for (let tries = 0; ; tries++) {
    const wish = uncomfortable(broken, slots, style, columns, start);
    if (!wish) break;
    if (tries === MOST_TRIES || cuts.get(wish.column) === wish.from) {
      warnings.push(wish.what);
      break;
    }
    cuts.set(wish.column, wish.from);
    slots = new Slots(columns, start, style, prepared.ascent, prepared.descent, cuts);
    broken = breakParagraph(prepared, slots, uniform);
  }
  if (broken.forced > 0) warnings.push('overfull');

  const lines: PlacedLine[] = [];
  for (let i = 0; i + 1 < broken.breaks.length; i++) {
    const slot = slots.at(i);
    const line = setLine(prepared, broken.breaks[i]!, broken.breaks[i + 1]!, slot, shaper, i === 0);
    lines.push({ column: slot.column, line });
  }
  const last = lines.at(-1)!;
  return {
    prepared,
    start,
    startIn: of.startIn,
    moved,
    lines,
    end: { column: last.column, y: last.line.baseline, atTop: false, after: style.spaceAfter },
    warnings,
  };
}

function breakParagraph(of: Prepared, slots: Slots, uniform: boolean): Broken {
  const measure = {
    widthOf: (line: number) => slots.at(line).width - of.indent - (line === 0 ? of.firstIndent : 0),
    uniform,
  };
  if (of.style.breaking === 'first-fit') return firstFit(of, measure);
  return totalFit(of, measure, of.style.align === 'justify' ? USUAL : { ...USUAL, ragged: RAG_EMS * of.style.size });
}

interface Wish {
  readonly column: number;
  /** The column is to be closed from this baseline on. */
  readonly from: number;
  readonly what: Warning;
}

/** What the style dislikes about how the lines fall into columns: the cut that would mend it. */
function uncomfortable(
  broken: Broken,
  slots: Slots,
  style: Prepared['style'],
  columns: readonly Column[],
  start: Cursor,
): Wish | undefined {
  const count = broken.breaks.length - 1;
  // Rows, not lines: text on both sides of a picture makes one row of two lines.
  const rows: Slot[] = [];
  for (let i = 0; i < count; i++) {
    const slot = slots.at(i);
    const last = rows.at(-1);
    if (!last || last.column !== slot.column || last.baseline !== slot.baseline) rows.push(slot);
  }
  const first = rows[0]!;
  const final = rows.at(-1)!;
  if (first.column === final.column || columns[final.column]!.overset) return undefined;
  const inFirst = rows.filter((row) => row.column === first.column).length;
  const inFinal = rows.filter((row) => row.column === final.column).length;
  const canMove = !(start.atTop && first.column === start.column);
  if (style.keepTogether && canMove) return { column: first.column, from: first.baseline, what: 'keep' };
  if (inFirst < Math.min(style.orphans, rows.length) && canMove)
    return { column: first.column, from: first.baseline, what: 'widow' };
  if (inFinal < style.widows && rows.length > style.widows) {
    const before = rows.filter((row) => row.column === final.column - 1);
    const spare = style.widows - inFinal;
    const from = before[before.length - spare];
    if (!from) return undefined;
    const leaves = before.length - spare;
    if (final.column - 1 === first.column && leaves < style.orphans) {
      return canMove ? { column: first.column, from: first.baseline, what: 'widow' } : undefined;
    }
    return { column: from.column, from: from.baseline, what: 'widow' };
  }
  return undefined;
}

/**
 * The first of the paragraphs, ending at `index`, that must go to a new column: a heading whose next paragraph has
 * not enough lines under it. Undefined when all is well, or when nothing would be won by moving.
 */
function headingToMove(
  done: readonly PlacedParagraph[],
  paragraphs: readonly Fillable[],
  index: number,
  moved: ReadonlySet<number>,
  columns: readonly Column[],
): number | undefined {
  const above = done[index - 1];
  if (!above || above.prepared.style.keepNext === 0 || above.lines.length === 0) return undefined;
  if (paragraphs[index]!.startIn !== undefined) return undefined;
  const column = above.lines.at(-1)!.column;
  if (columns[column]!.overset) return undefined;
  const own = done[index]!;
  const wanted = Math.min(above.prepared.style.keepNext, own.lines.length);
  if (own.lines.filter((line) => line.column === column).length >= wanted) return undefined;
  let first = index - 1;
  while (
    first > 0 &&
    done[first - 1]!.prepared.style.keepNext > 0 &&
    done[first - 1]!.lines.at(-1)?.column === done[first]!.lines[0]?.column
  ) {
    first--;
  }
  if (moved.has(first) || (done[first]!.start.atTop && done[first]!.lines[0]?.column === done[first]!.start.column))
    return undefined;
  return first;
}
