import type { Column } from '../frames/column';
import type { Line, LineMark, Run } from '../displayList/displayList';
import type { LineSpace } from './lineSpaces';
import type { Prepared } from '../paragraph/prepared';

/** A first or last line that carries more than its words. */
export const decorated = (of: Prepared, i: number, n: number): boolean =>
  (i === 0 && (of.cap !== undefined || of.style.ruleAbove !== null)) || (i === n - 1 && of.style.ruleBelow !== null);

/** What a first or last line carries beside its words: a drop cap, a rule above or below. */
export function withDecoration(line: Line, of: Prepared, i: number, n: number, column: Column, space: LineSpace): Line {
  const { style, cap } = of;
  let { runs, marks } = line;
  if (i === 0 && cap) {
    const backwards = of.levels?.rightToLeft === true;
    const x = backwards ? space.x + space.width + cap.width - cap.shaped.width * cap.look.scale : space.x - cap.width;
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
