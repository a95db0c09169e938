import type { StartIn } from '../records/paragraphStyle';
import type { Broken, Measure } from './breaking';
import type { Column } from './column';
import type { Line, LineMark, Run } from './displayList';
import type { PlacedBlock, PlacedLine, Warning } from './fill';
import { firstFit } from './firstFit';
import { fallOf, riseOf } from './prepare';
import { HYPHEN_BREAK, type Prepared } from './prepared';
import { firstPiece } from './pieces';
import { indentWithin, setLine } from './setLine';
import { type Cursor, NO_WISHES, type Slot, Slots, type SlotWishes } from './slots';
import { totalFit, USUAL } from './totalFit';

/** Tries at getting orphans, widows and keeps right before the least important of them gives way. */
const MOST_TRIES = 8;

/** Times lines are set anew because they hold larger letters than their space beside a picture was made for. */
const MOST_BANDS = 8;

/** Times a first line is set anew for its lead-in. */
const MOST_LEADS = 4;

const HAIR = 0.01;

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
  let wishes: SlotWishes = NO_WISHES;
  let forbidden: Set<number> | undefined;
  let slots = new Slots(columns, start, prepared, wishes);
  let broken = breakParagraph(prepared, slots, columns[start.column]!, forbidden);
  let reached = 0;
  const again = () => {
    reached = Math.max(reached, slots.reached);
    slots = new Slots(columns, start, prepared, wishes);
    broken = breakParagraph(prepared, slots, columns[start.column]!, forbidden);
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
    const taller = bands < MOST_BANDS ? tallRows(prepared, broken, slots, columns, wishes, bands === MOST_BANDS - 1) : undefined;
    if (taller) {
      wishes = { ...wishes, bands: taller };
      bands++;
      tries--;
      again();
      continue;
    }
    const wish = uncomfortable(prepared, broken, slots, columns, start, wishes, gaveWay);
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

  const lines = setLines(prepared, broken, slots, columns);
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
    reached: Math.max(reached, slots.reached),
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
function setLines(prepared: Prepared, broken: Broken, slots: Slots, columns: readonly Column[]): PlacedLine[] {
  const { memory, style } = prepared;
  const bySide = style.align === 'towardsSpine' || style.align === 'awayFromSpine';
  const lines: PlacedLine[] = [];
  const n = broken.breaks.length - 1;
  for (let i = 0; i < n; i++) {
    const a = broken.breaks[i]!;
    const b = broken.breaks[i + 1]!;
    const slot = slots.at(i);
    const known = memory.lines[i];
    const alike = known && known.a === a && known.b === b && known.width === slot.width && known.edges === slot.edges;
    if (known && alike && !bySide && !decorated(prepared, i, n)) {
      const same = known.column === slot.column && known.x === slot.x && known.line.baseline === slot.baseline;
      lines.push(
        same
          ? known
          : {
              column: slot.column,
              a,
              b,
              x: slot.x,
              width: slot.width,
              edges: slot.edges,
              leaf: 0,
              line: movedLine(known.line, slot.x - known.x, slot.baseline - known.line.baseline),
            },
      );
      continue;
    }
    const column = columns[slot.column]!;
    let line = setLine(prepared, a, b, { ...slot, side: column.side });
    if (decorated(prepared, i, n)) line = withDecoration(line, prepared, i, n, column, slot);
    lines.push({ column: slot.column, a, b, x: slot.x, width: slot.width, edges: slot.edges, leaf: 0, line });
  }
  memory.lines = lines;
  return lines;
}

/** A line that stands elsewhere; its runs and marks are its own coordinates' and stay. */
export function movedLine(line: Line, dx: number, dy: number): Line {
  return {
    x: line.x + dx,
    baseline: line.baseline + dy,
    width: line.width,
    natural: line.natural,
    wordSpace: line.wordSpace,
    letterSpace: line.letterSpace,
    glyphScale: line.glyphScale,
    hyphenated: line.hyphenated,
    overfull: line.overfull,
    lastOfParagraph: line.lastOfParagraph,
    ascent: line.ascent,
    descent: line.descent,
    runs: line.runs,
    marks: line.marks,
  };
}

const decorated = (of: Prepared, i: number, n: number): boolean =>
  (i === 0 && (of.cap !== undefined || of.style.ruleAbove !== null)) || (i === n - 1 && of.style.ruleBelow !== null);

/** What a first or last line carries beside its words: a drop cap, a rule above or below. */
function withDecoration(line: Line, of: Prepared, i: number, n: number, column: Column, slot: Slot): Line {
  const { style, cap } = of;
  let { runs, marks } = line;
  if (i === 0 && cap) {
    const backwards = of.levels?.rightToLeft === true;
    const x = backwards ? slot.x + slot.width + cap.width - cap.shaped.width * cap.look.scale : slot.x - cap.width;
    const run: Run = {
      x: x - line.x - (backwards ? 0 : cap.bearing),
      rightToLeft: backwards,
      text: cap.text,
      shaped: cap.shaped,
      look: cap.look,
      drop: (cap.of.lines - 1) * style.leading,
      from: 0,
      to: of.positions ? of.positions[cap.text.length]! : cap.text.length,
      added: false,
    };
    runs = [run, ...runs];
  }
  const rule = (which: typeof style.ruleAbove, y: (weight: number, offset: number) => number): void => {
    if (!which) return;
    const from = which.width === 'column' ? column.box.x - line.x : 0;
    const to = which.width === 'column' ? from + column.box.w : line.natural;
    const box = {
      x: from + which.leftIndent,
      y: y(which.weight, which.offset),
      w: Math.max(0, to - from - which.leftIndent - which.rightIndent),
      h: which.weight,
    };
    const mark: LineMark = { type: 'area', box, ink: of.ruleInks![which === style.ruleAbove ? 0 : 1]!, over: false };
    marks = [...(marks ?? []), mark];
  };
  if (i === 0) rule(style.ruleAbove, (weight, offset) => -offset - weight);
  if (i === n - 1) rule(style.ruleBelow, (_, offset) => offset);
  return { ...line, runs, marks };
}

/**
 * Breaks for the line spaces that there are. Most paragraphs meet lines of one width only, and are remembered broken
 * for it; where a picture or a narrower column reaches into them they are broken again for what each line has.
 */
function breakParagraph(of: Prepared, slots: Slots, column: Column, forbidden: ReadonlySet<number> | undefined): Broken {
  const full = Math.max(0, column.box.w);
  if (!of.cap && !forbidden) {
    const { memory } = of;
    if (memory.width !== full || !memory.broken) {
      memory.broken = broken(of, { widthOf: (line) => roomOf(of, full, line), uniformFrom: 1 }, undefined);
      memory.width = full;
    }
    const n = memory.broken.breaks.length - 1;
    let i = 0;
    while (i < n && slots.at(i).edges === 0 && Math.abs(slots.at(i).width - full) < HAIR) i++;
    if (i === n) return memory.broken;
  }
  const widthOf = (line: number) => {
    const { width, edges } = slots.at(line);
    return roomOf(of, width, line, edges);
  };
  return broken(of, { widthOf, uniformFrom: Math.max(1, slots.uniformFrom(mostLines(of, full))) }, forbidden);
}

/** Lines looked at for where a paragraph has left behind what it stands beside: so many as it may have there, and no more than this. */
const MOST_TOLD_APART = 200;

function mostLines(of: Prepared, width: number): number {
  const natural = of.before[of.count - 1]! * of.scale;
  return Math.min(MOST_TOLD_APART, 4 + Math.ceil((2 * natural) / Math.max(width, 1)));
}

/** What a line has for its words of a space, points. Where something stands beside it nothing may hang over. */
function roomOf(of: Prepared, width: number, line: number, edges = 0): number {
  const { hangs, levels, scale } = of;
  const indents = indentWithin(of, width) + of.style.rightIndent + (line === 0 ? of.firstIndent : 0);
  let hanging = 0;
  if (edges !== 0 && hangs) {
    const [start, end] = levels?.rightToLeft ? [2, 1] : [1, 2];
    hanging = ((edges & start ? hangs.mostLeft : 0) + (edges & end ? hangs.mostRight : 0)) * scale;
  }
  return Math.max(0, width - indents - hanging);
}

function broken(of: Prepared, measure: Measure, forbidden: ReadonlySet<number> | undefined): Broken {
  const { style } = of;
  if (style.breaking === 'first-fit') return firstFit(of, measure, forbidden);
  return totalFit(of, measure, {
    ...USUAL,
    ragged: style.align === 'justify' ? 0 : style.rag * style.size,
    mostHyphens: style.hyphenLimits.consecutive,
    looseness: style.looseness,
    fillLast: style.align === 'justify' && style.lastLine === 'justify',
    forbidden,
  });
}

/** Lines that a paragraph makes on a measure of its own, points. */
export function linesOn(of: Prepared, measure: number): number {
  return broken(of, { widthOf: (line) => roomOf(of, measure, line), uniformFrom: 1 }, undefined).breaks.length - 1;
}

/**
 * Rows whose letters reach further up or down than the space they were given beside something was made for: the
 * heights their rows are to be given, with those that were given before. Undefined where all keep to theirs.
 *
 * @param all gives every row the most that the paragraph holds, so that there is an end to it
 */
function tallRows(
  of: Prepared,
  { breaks }: Broken,
  slots: Slots,
  columns: readonly Column[],
  wishes: SlotWishes,
  all: boolean,
): Map<number, { rise: number; fall: number }> | undefined {
  const n = breaks.length - 1;
  let beside = false;
  for (let i = 0; i < n && !beside; i++) beside = columns[slots.at(i).column]!.exclusions.length > 0;
  if (!beside) return undefined;
  let taller: Map<number, { rise: number; fall: number }> | undefined;
  const most = all ? inkOf(of, 0, of.text.length, { rise: of.rise, fall: of.fall }) : undefined;
  for (let i = 0; i < n; i++) {
    const { row, column } = slots.at(i);
    if (columns[column]!.exclusions.length === 0) continue;
    const has = taller?.get(row) ?? wishes.bands.get(row) ?? { rise: of.ascent, fall: of.descent };
    const needs = inkOf(of, of.next[breaks[i]!]!, of.end[breaks[i + 1]!]!, has);
    if (needs === has) continue;
    taller ??= new Map(wishes.bands);
    taller.set(row, needs);
  }
  if (taller && most) for (let i = 0; i < n; i++) taller.set(slots.at(i).row, most);
  return taller;
}

/** How far the letters of a stretch reach above and below the baseline, where that is more than `has`; else `has` itself. */
function inkOf(of: Prepared, from: number, to: number, has: { rise: number; fall: number }): { rise: number; fall: number } {
  let { rise, fall } = has;
  const { pieces, runs } = of;
  for (let p = firstPiece(pieces, from); p < pieces.length && pieces[p]!.from < to; p++) {
    const { look, words } = runs[pieces[p]!.run]!;
    const { word } = pieces[p]!;
    const ink = words.inkOf(word);
    const up = Math.max(ink.rise * look.scale + look.rise, riseOf(look)) + (look.outline?.weight ?? 0);
    const down = Math.max(ink.fall * look.scale - look.rise, fallOf(look)) + (look.outline?.weight ?? 0);
    if (up > rise + HAIR) rise = up;
    if (down > fall + HAIR) fall = down;
  }
  return rise === has.rise && fall === has.fall ? has : { rise, fall };
}

interface Wish {
  /** A column is to be closed from this baseline on. */
  readonly cut?: { readonly column: number; readonly from: number };
  readonly lift?: { readonly row: number; readonly by: number };
  /** A break is not to be taken. */
  readonly forbid?: number;
  readonly what: Warning;
}

/** What the style dislikes about how the lines fall: what would mend it. */
function uncomfortable(
  of: Prepared,
  { breaks }: Broken,
  slots: Slots,
  columns: readonly Column[],
  start: Cursor,
  wishes: SlotWishes,
  gaveWay: Set<Warning>,
): Wish | undefined {
  const { style } = of;
  const count = breaks.length - 1;
  if (of.pictures.length > 0) {
    const lift = tallPicture(of, breaks, slots, wishes);
    if (lift) return lift;
  }
  const firstSlot = slots.at(0);
  const lastSlot = slots.at(count - 1);
  if (firstSlot.column === lastSlot.column) return undefined;
  if (!style.hyphenLimits.acrossColumns) {
    for (let i = 0; i + 1 < count; i++) {
      const b = breaks[i + 1]!;
      if (of.flag[b] === HYPHEN_BREAK && slots.at(i).column !== slots.at(i + 1).column) return { forbid: b, what: 'hyphen' };
    }
  }
  // Rows, not lines: text on both sides of a picture makes one row of two lines.
  const rows: Slot[] = [];
  for (let i = 0; i < count; i++) {
    const slot = slots.at(i);
    const last = rows[rows.length - 1];
    if (!last || last.row !== slot.row) rows.push(slot);
  }
  const first = rows[0]!;
  const final = rows[rows.length - 1]!;
  if (columns[final.column]!.overset) return undefined;
  const inFirst = rows.filter((row) => row.column === first.column).length;
  const inFinal = rows.filter((row) => row.column === final.column).length;
  const canMove = !(start.atTop && first.column === start.column);
  const moveOn = { column: first.column, from: first.baseline };
  if (style.keepTogether) {
    if (canMove) return { cut: moveOn, what: 'keep' };
    gaveWay.add('keep');
  }
  const together = Math.max(style.orphans, of.cap ? of.cap.of.lines : 0);
  if (inFirst < Math.min(together, rows.length) && canMove) return { cut: moveOn, what: 'widow' };
  if (inFinal < style.widows && rows.length > style.widows) {
    const before = rows.filter((row) => row.column === final.column - 1);
    const spare = style.widows - inFinal;
    const from = before[before.length - spare];
    if (!from) return undefined;
    const leaves = before.length - spare;
    if (final.column - 1 === first.column && leaves < style.orphans) {
      if (canMove) return { cut: moveOn, what: 'widow' };
      gaveWay.add('widow');
      return undefined;
    }
    return { cut: { column: from.column, from: from.baseline }, what: 'widow' };
  }
  return undefined;
}

/** A picture in a line that stands higher than the line has room: its row is to go down. */
function tallPicture(of: Prepared, breaks: readonly number[], slots: Slots, wishes: SlotWishes): Wish | undefined {
  for (let i = 0; i + 1 < breaks.length; i++) {
    const from = of.next[breaks[i]!]!;
    const to = of.end[breaks[i + 1]!]!;
    let tall = 0;
    for (const picture of of.pictures) {
      if (picture.at >= from && picture.at < to) tall = Math.max(tall, picture.height + picture.rise);
    }
    const by = tall - (of.style.leading - of.descent);
    const { row } = slots.at(i);
    if (by > HAIR && !wishes.lifts.has(row)) return { lift: { row, by }, what: 'overfull' };
  }
  return undefined;
}
