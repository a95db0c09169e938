import type { Broken, Measure } from '../lines/breaking';
import type { Column } from '../frames/column';
import { firstFit } from '../lines/firstFit';
import type { LineSpaces } from './lineSpaces';
import { memoryOf } from './memory';
import type { Prepared } from '../paragraph/prepared';
import { indentWithin } from '../lines/setLine';
import { totalFit, USUAL } from '../lines/totalFit';

const HAIR = 0.01;

/**
 * Breaks for the line spaces that there are. Most paragraphs meet lines of one width only, and are remembered broken
 * for it; where a picture or a narrower column reaches into them they are broken again for what each line has.
 */
export function breakParagraph(
  of: Prepared,
  spaces: LineSpaces,
  column: Column,
  forbidden: ReadonlySet<number> | undefined,
): Broken {
  const full = Math.max(0, column.box.w);
  if (!of.cap && !forbidden) {
    const memory = memoryOf(of);
    if (memory.width !== full || !memory.broken) {
      memory.broken = broken(of, { widthOf: (line) => roomOf(of, full, line), uniformFrom: 1 }, undefined);
      memory.width = full;
    }
    const n = memory.broken.breaks.length - 1;
    let i = 0;
    while (i < n && spaces.at(i).edges === 0 && Math.abs(spaces.at(i).width - full) < HAIR) i++;
    if (i === n) return memory.broken;
  }
  const widthOf = (line: number) => {
    const { width, edges } = spaces.at(line);
    return roomOf(of, width, line, edges);
  };
  return broken(of, { widthOf, uniformFrom: Math.max(1, spaces.uniformFrom(mostLines(of, full))) }, forbidden);
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
