import { type Line, runWidth } from './displayList';

/** Share of the type size that a gap between two words of one field is at least. */
const LEAST_SPACE = 0.1;

/** The characters of a line as they stand on the page: runs with a space where the text has one between them. */
export function lineText(line: Line): string {
  let out = '';
  line.runs.forEach((run, i) => {
    const before = line.runs[i - 1];
    const isMarker = before?.added && before.from === before.to;
    // The words of a field stand for one position of the text, whatever spaces are between them.
    const ofOneField = before && !before.added && before.from === run.from;
    const apart = ofOneField && run.x - before.x - runWidth(before, line) > LEAST_SPACE * run.look.size;
    if (before && (isMarker || before.to < run.from || apart)) out += ' ';
    out += run.text;
  });
  return out;
}
