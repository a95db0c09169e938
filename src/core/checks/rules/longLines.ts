import type { Found } from '../finding';
import { linesOn, lineWords, placeOfLine } from '../lines';
import type { Rule } from '../rule';

/** Words that are longer than their column. */
export const LONG_LINES: Rule = {
  name: 'longLines',
  title: 'Words wider than their column',
  page: (view) =>
    linesOn(view)
      .filter(({ line }) => line.overfull)
      .map((on): Found => ({
        grave: 'fault',
        at: placeOfLine(view, on),
        words: `“${lineWords(on)}” is wider than its column.`,
        effect: 'Its end stands out into the gutter.',
      })),
};
