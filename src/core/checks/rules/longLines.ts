import { paragraphsOf, plainText } from '../../records/body';
import type { Found } from '../finding';
import { linesOn, type LineOnPage, lineWords, placeOfLine } from '../lines';
import type { Rule } from '../rule';

/** Letters that are not parted without a hyphen, as those of other scripts may be. */
const LETTERS = /^[\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}]{2}$/u;

/** Words that are longer than their column: they stand out of it, or were broken wherever it ends. */
export const LONG_LINES: Rule = {
  name: 'longLines',
  title: 'Words wider than their column',
  page: (view) =>
    linesOn(view).flatMap((on): Found[] => {
      const isBroken = brokenBehind(on);
      if (!on.line.overfull && !isBroken) return [];
      return [
        {
          grave: 'fault',
          at: placeOfLine(view, on),
          words: `“${lineWords(on)}” ${isBroken ? 'is broken without a hyphen: its word' : 'stands out: it'} is wider than its column.`,
          effect: isBroken ? 'Readers take it for two words.' : 'Its end stands in the gutter.',
        },
      ];
    }),
};

/** Whether a word is broken at the end of a line where no hyphen stands. */
function brokenBehind({ line, text, paragraph, to }: LineOnPage): boolean {
  if (line.lastOfParagraph || line.hyphenated) return false;
  const node = paragraphsOf(text.body)[paragraph];
  return node !== undefined && LETTERS.test(plainText(node).slice(to - 1, to + 1));
}
