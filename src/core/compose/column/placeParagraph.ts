import type { StartIn } from '../../records/paragraphStyle';
import type { Broken } from '../lines/breaking';
import { breakParagraph } from './breakParagraph';
import type { Column } from '../frames/column';
import type { Cursor } from './cursor';
import { decorated, withDecoration } from './decoration';
import { movedLine } from '../displayList/line';
import { LineSpaces, NO_WISHES, type SpaceWishes } from './lineSpaces';
import { memoryOf } from './memory';
import type { PlacedBlock, PlacedLine, Warning } from './placed';
import type { Prepared } from '../paragraph/prepared';
import { setLine } from '../lines/setLine';
import { tallRows, uncomfortable } from './wishes';

/** Tries at getting orphans, widows and keeps right before the least important of them gives way. */
const MOST_TRIES = 8;

/** Times lines are set anew because they hold larger letters than their space beside a picture was made for. */
const MOST_BANDS = 8;

/** Times a first line is set anew for its lead-in. */
const MOST_LEADS = 4;

/** Puts a paragraph into columns from a cursor on. */
export function placeParagraph(
  given: Prepared,
  startIn: StartIn | undefined,
  start: Cursor,
  moved: boolean,
  columns: readonly Column[],
): PlacedBlock {
  let prepared = given;
  const warnings: Warning[] = [];
  const gaveWay = new Set<Warning>();
  let wishes: SpaceWishes = NO_WISHES;
  let forbidden: Set<number> | undefined;
  let spaces = new LineSpaces(columns, start, prepared, wishes);
  let broken = breakParagraph(prepared, spaces, columns[start.column]!, forbidden);
  let reached = 0;
  const again = () => {
    reached = Math.max(reached, spaces.reached);
    spaces = new LineSpaces(columns, start, prepared, wishes);
    broken = breakParagraph(prepared, spaces, columns[start.column]!, forbidden);
  };
  /**
   * The lead-in covers the first line, and how far that reaches depends on the lead-in. Where the two do not meet, the
   * line ends where it does with the wider letters.
   */
  const leadIn = () => {
    let low = Infinity;
    let high = 0;
    for (let leads = 0; leads < MOST_LEADS; leads++) {
      const to = firstLineEnd(prepared, broken);
      low = Math.min(low, to);
      high = Math.max(high, to);
      prepared = given.withLead!(to);
      again();
      if (firstLineEnd(prepared, broken) === to) return;
    }
    prepared = given.withLead!(low);
    forbidden ??= new Set();
    for (let b = 1; b < prepared.count - 1; b++) if (prepared.end[b]! > low && prepared.end[b]! <= high) forbidden.add(b);
    again();
  };
  let bands = 0;
  for (let tries = 0; ; tries++) {
    if (given.withLead) leadIn();
    const taller = bands < MOST_BANDS ? tallRows(prepared, broken, spaces, columns, wishes, bands === MOST_BANDS - 1) : undefined;
    if (taller) {
      wishes = { ...wishes, bands: taller };
      bands++;
      tries--;
      again();
      continue;
    }
    const wish = uncomfortable(prepared, broken, spaces, columns, start, wishes, gaveWay);
    if (!wish) break;
    const known = wish.cut && wishes.cuts.get(wish.cut.column) === wish.cut.from;
    if (tries === MOST_TRIES || known) {
      gaveWay.add(wish.what);
      break;
    }
    if (wish.cut) wishes = { ...wishes, cuts: new Map(wishes.cuts).set(wish.cut.column, wish.cut.from) };
    if (wish.lift) wishes = { ...wishes, lifts: new Map(wishes.lifts).set(wish.lift.row, wish.lift.by) };
    if (wish.forbid !== undefined) (forbidden ??= new Set()).add(wish.forbid);
    again();
  }
  warnings.push(...gaveWay);
  if (broken.forced > 0) warnings.push('overfull');
  if (broken.narrowed) warnings.push('search');
  if (prepared.missing > 0) warnings.push('missing');

  const lines = setLines(prepared, broken, spaces, columns);
  const last = lines[lines.length - 1]!;
  const cap = prepared.cap;
  // A cap that stands deeper than its paragraph is long pushes what follows down.
  const capFoot =
    cap && last.column === lines[0]!.column ? lines[0]!.line.baseline + (cap.of.lines - 1) * prepared.style.leading : 0;
  return {
    source: given,
    leaves: 1,
    start,
    startIn,
    moved,
    lines,
    reached: Math.max(reached, spaces.reached),
    end: {
      column: last.column,
      y: Math.max(last.line.baseline, capFoot),
      atTop: false,
      edge: false,
      after: prepared.style.spaceAfter,
    },
    warnings: warnings.length > 0 ? warnings : NO_WARNINGS,
    prepared,
  };
}

const NO_WARNINGS: readonly Warning[] = [];

const firstLineEnd = (of: Prepared, broken: Broken): number => of.end[broken.breaks[1]!]!;

/**
 * Lines from breaks. A line that runs between the same breaks on the same width as when the paragraph was last set
 * keeps its runs and only moves.
 */
function setLines(prepared: Prepared, broken: Broken, spaces: LineSpaces, columns: readonly Column[]): PlacedLine[] {
  const memory = memoryOf(prepared);
  const { style } = prepared;
  const bySide = style.align === 'towardsSpine' || style.align === 'awayFromSpine';
  const lines: PlacedLine[] = [];
  const n = broken.breaks.length - 1;
  for (let i = 0; i < n; i++) {
    const a = broken.breaks[i]!;
    const b = broken.breaks[i + 1]!;
    const space = spaces.at(i);
    const known = memory.lines[i];
    const alike = known && known.a === a && known.b === b && known.width === space.width && known.edges === space.edges;
    if (known && alike && !bySide && !decorated(prepared, i, n)) {
      const same = known.column === space.column && known.x === space.x && known.line.baseline === space.baseline;
      lines.push(
        same
          ? known
          : {
              column: space.column,
              a,
              b,
              x: space.x,
              width: space.width,
              edges: space.edges,
              leaf: 0,
              line: movedLine(known.line, space.x - known.x, space.baseline - known.line.baseline),
            },
      );
      continue;
    }
    const column = columns[space.column]!;
    let line = setLine(prepared, a, b, { ...space, side: column.side });
    if (decorated(prepared, i, n)) line = withDecoration(line, prepared, i, n, column, space);
    lines.push({ column: space.column, a, b, x: space.x, width: space.width, edges: space.edges, leaf: 0, line });
  }
  memory.lines = lines;
  return lines;
}
