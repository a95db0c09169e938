import type { ParagraphProperties, TabStop } from '../../records/paragraphStyle';
import type { Prepared, Tab } from '../paragraph/prepared';
import { firstPiece } from '../paragraph/pieces';

/** Beyond the style's own stops there is one at every multiple of this; half an inch. */
const USUAL_STOP = 36;

/** The stop that a tab goes to when the text before it ends at `x`, points from the column's left. */
export function stopAfter(style: ParagraphProperties, x: number): TabStop {
  for (const stop of style.tabs) if (stop.at > x + 0.01) return stop;
  return { at: (Math.floor((x + 0.01) / USUAL_STOP) + 1) * USUAL_STOP, align: 'left' };
}

/**
 * How far a line with tabs reaches, as `before − after` says it of lines without: units from the line's beginning.
 *
 * @param a the break it begins at; @param b where it ends
 */
export function tabbedEnd(of: Prepared, a: number, b: number): number {
  const { tabs } = of;
  const end = of.end[b]!;
  let shift = 0;
  for (let i = firstTab(of, a); i < tabs.length && tabs[i]!.at < end; i++) {
    const next = tabs[i + 1];
    const to = next && next.at < end ? next.x : of.before[b]!;
    shift += tabWidth(of, a, tabs[i]!, shift, to) / of.scale;
  }
  return of.before[b]! - of.after[a]! + shift;
}

/** The last tab of a line from break `a` to `b`; undefined where it has none. Only what follows it gives and takes. */
export function lastTab(of: Prepared, a: number, b: number): Tab | undefined {
  const { tabs } = of;
  const end = of.end[b]!;
  let last: Tab | undefined;
  for (let i = firstTab(of, a); i < tabs.length && tabs[i]!.at < end; i++) last = tabs[i];
  return last;
}

function firstTab(of: Prepared, a: number): number {
  const from = of.next[a]!;
  let low = 0;
  let high = of.tabs.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (of.tabs[middle]!.at < from) low = middle + 1;
    else high = middle;
  }
  return low;
}

/**
 * What a tab is worth, points.
 *
 * @param shift units that tabs before it in the line are worth together
 * @param to where the text behind it ends, in units without tabs
 */
export function tabWidth(of: Prepared, a: number, tab: Tab, shift: number, to: number): number {
  const indent = of.indent + (a === 0 ? of.firstIndent : 0);
  const x = indent + (tab.x - of.after[a]! + shift) * of.scale;
  const stop = stopAfter(of.style, x);
  const behind = (to - tab.x) * of.scale;
  const held =
    stop.align === 'right' ? behind : stop.align === 'centre' ? behind / 2 : stop.align === 'decimal' ? beforePoint(of, tab) : 0;
  return Math.max(0, stop.at - x - held);
}

/** Width in points of what stands behind a tab up to its decimal point, or all of it where there is none. */
function beforePoint(of: Prepared, tab: Tab): number {
  let width = 0;
  const next = of.tabs[of.tabs.indexOf(tab) + 1]?.at ?? Infinity;
  for (let p = firstPiece(of.pieces, tab.at + 1); p < of.pieces.length; p++) {
    const piece = of.pieces[p]!;
    if (piece.from > next) break;
    const { factor, words } = of.runs[piece.run]!;
    const point = /[.,·](?=\d*$)/.exec(piece.word.text)?.index;
    width += (point === undefined ? piece.word.width : words.widthOf(piece.word.text.slice(0, point))) * factor * of.scale;
    if (point !== undefined) break;
  }
  return width;
}
