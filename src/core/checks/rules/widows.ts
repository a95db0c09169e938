import type { Found } from '../finding';
import { linesOn, lineWords, placeOfLine } from '../lines';
import { type Rule, styleOf } from '../rule';

/** A paragraph's last line alone at the head of a column, or its first alone at the foot. */
export const WIDOWS: Rule = {
  name: 'widows',
  title: 'Widows and orphans',
  page: (view) =>
    linesOn(view).flatMap((on): Found[] => {
      const { line, isFirst, opens, closes } = on;
      const { widows, orphans } = styleOf(view, on.text, on.paragraph);
      const isWidow = opens && line.lastOfParagraph && !isFirst && widows > 1;
      const isOrphan = closes && isFirst && !line.lastOfParagraph && orphans > 1;
      if (!isWidow && !isOrphan) return [];
      return [
        {
          grave: 'fault',
          at: placeOfLine(view, on),
          words: isWidow
            ? `A widow: “${lineWords(on)}” stands alone at the head of a column.`
            : `An orphan: “${lineWords(on)}” stands alone at the foot of a column.`,
          effect: 'A paragraph is torn, and its column looks unfinished.',
          mends: [{ name: 'Make it fit …', open: 'fit', text: on.text.id }],
        },
      ];
    }),
};
