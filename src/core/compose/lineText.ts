import type { Line } from './displayList';

/** The characters of a line as they stand on the page: runs with a space where the text has one between them. */
export function lineText(line: Line): string {
  let out = '';
  line.runs.forEach((run, i) => {
    const before = line.runs[i - 1];
    const isMarker = before?.added && before.from === before.to;
    if (before && (isMarker || before.to < run.from)) out += ' ';
    out += run.text;
  });
  return out;
}
