import { paragraphsOf } from '../../records/body';
import type { Found } from '../finding';
import { linesOn, lineWords, placeOfLine } from '../lines';
import { type Rule, styleOf } from '../rule';

/** A heading that is parted from what it is above. */
export const HEADINGS: Rule = {
  name: 'headings',
  title: 'Headings at the foot of a column',
  page: (view) => {
    const lines = linesOn(view);
    return lines.flatMap((on): Found[] => {
      if (!on.closes || !on.line.lastOfParagraph || styleOf(view, on.text, on.paragraph).keepNext === 0) return [];
      if (on.paragraph >= paragraphsOf(on.text.body).length - 1) return [];
      // Across its columns, a heading ends what stands above it; what it is above begins right below, in columns of its own.
      const next = lines.find(({ item, paragraph }) => item === on.item && paragraph === on.paragraph + 1);
      if (next && next.line.baseline > on.line.baseline) return [];
      return [
        {
          grave: 'fault',
          at: placeOfLine(view, on),
          words: `“${lineWords(on)}” stands at the foot of its column, parted from what it is above.`,
          effect: 'Readers take it for the end of what comes before.',
          mends: [{ name: 'Make it fit …', open: 'fit', text: on.text.id }],
        },
      ];
    });
  },
};
