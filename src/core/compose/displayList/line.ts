import type { Line } from './displayList';

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
    panel: line.panel,
  };
}

/** A line that holds no letters: what a table or a picture is drawn with. */
export function bareLine(x: number, baseline: number, width: number, marks: Line['marks']): Line {
  return {
    x,
    baseline,
    width,
    natural: width,
    wordSpace: 1,
    letterSpace: 0,
    glyphScale: 1,
    hyphenated: false,
    overfull: false,
    lastOfParagraph: true,
    ascent: 0,
    descent: 0,
    runs: [],
    marks,
    panel: undefined,
  };
}
