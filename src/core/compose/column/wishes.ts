import type { Broken } from '../lines/breaking';
import { HYPHEN_BREAK } from '../paragraph/breaks';
import type { Column } from '../frames/column';
import type { Cursor } from './cursor';
import type { LineSpace, LineSpaces, SpaceWishes } from './lineSpaces';
import { fallOf, riseOf } from '../paragraph/look';
import { firstPiece } from '../paragraph/pieces';
import type { Warning } from './placed';
import type { Prepared } from '../paragraph/prepared';

const HAIR = 0.01;

/**
 * Rows whose letters reach further up or down than the space they were given beside something was made for: the
 * heights their rows are to be given, with those that were given before. Undefined where all keep to theirs.
 *
 * @param all gives every row the most that the paragraph holds, so that there is an end to it
 */
export function tallRows(
  of: Prepared,
  { breaks }: Broken,
  spaces: LineSpaces,
  columns: readonly Column[],
  wishes: SpaceWishes,
  all: boolean,
): Map<number, { rise: number; fall: number }> | undefined {
  const n = breaks.length - 1;
  let beside = false;
  for (let i = 0; i < n && !beside; i++) beside = columns[spaces.at(i).column]!.exclusions.length > 0;
  if (!beside) return undefined;
  let taller: Map<number, { rise: number; fall: number }> | undefined;
  const most = all ? inkOf(of, 0, of.text.length, { rise: of.rise, fall: of.fall }) : undefined;
  for (let i = 0; i < n; i++) {
    const { row, column } = spaces.at(i);
    if (columns[column]!.exclusions.length === 0) continue;
    const has = taller?.get(row) ?? wishes.bands.get(row) ?? { rise: of.ascent, fall: of.descent };
    const needs = inkOf(of, of.next[breaks[i]!]!, of.end[breaks[i + 1]!]!, has);
    if (needs === has) continue;
    taller ??= new Map(wishes.bands);
    taller.set(row, needs);
  }
  if (taller && most) for (let i = 0; i < n; i++) taller.set(spaces.at(i).row, most);
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
export function uncomfortable(
  of: Prepared,
  { breaks }: Broken,
  spaces: LineSpaces,
  columns: readonly Column[],
  start: Cursor,
  wishes: SpaceWishes,
  gaveWay: Set<Warning>,
): Wish | undefined {
  const { style } = of;
  const count = breaks.length - 1;
  if (of.pictures.length > 0) {
    const lift = tallPicture(of, breaks, spaces, wishes);
    if (lift) return lift;
  }
  const firstSpace = spaces.at(0);
  const lastSpace = spaces.at(count - 1);
  if (firstSpace.column === lastSpace.column) return undefined;
  if (!style.hyphenLimits.acrossColumns) {
    for (let i = 0; i + 1 < count; i++) {
      const b = breaks[i + 1]!;
      if (of.flag[b] === HYPHEN_BREAK && spaces.at(i).column !== spaces.at(i + 1).column) return { forbid: b, what: 'hyphen' };
    }
  }
  // Rows, not lines: text on both sides of a picture makes one row of two lines.
  const rows: LineSpace[] = [];
  for (let i = 0; i < count; i++) {
    const space = spaces.at(i);
    const last = rows[rows.length - 1];
    if (!last || last.row !== space.row) rows.push(space);
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
function tallPicture(of: Prepared, breaks: readonly number[], spaces: LineSpaces, wishes: SpaceWishes): Wish | undefined {
  for (let i = 0; i + 1 < breaks.length; i++) {
    const from = of.next[breaks[i]!]!;
    const to = of.end[breaks[i + 1]!]!;
    let tall = 0;
    for (const picture of of.pictures) {
      if (picture.at >= from && picture.at < to) tall = Math.max(tall, picture.height + picture.rise);
    }
    const by = tall - (of.style.leading - of.descent);
    const { row } = spaces.at(i);
    if (by > HAIR && !wishes.lifts.has(row)) return { lift: { row, by }, what: 'overfull' };
  }
  return undefined;
}
