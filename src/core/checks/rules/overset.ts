import { counted } from '../../records/count';
import { find } from '../../records/document';
import { framesOnPages } from '../../page/pages';
import { oversetText } from '../../compose/text/fit';
import type { Found } from '../finding';
import { shortened, textName } from '../lines';
import type { Rule } from '../rule';

/** Text that no frame shows. */
export const OVERSET: Rule = {
  name: 'overset',
  title: 'Text over',
  issue: ({ document, fits }) =>
    [...fits].flatMap(([id, fit]): Found[] => {
      if (fit.oversetLines === 0) return [];
      const text = find(document, 'text', id);
      if (!text) return [];
      const last = framesOnPages(document, id).at(-1);
      const name = textName({ find: (kind, own) => find(document, kind, own) }, text);
      const words = shortened(oversetText(text.body, fit));
      return [
        {
          grave: 'grave',
          at: { page: last?.on, frame: last?.id, box: last?.box, text: id, story: text.story, ...fit.oversetFrom },
          words: `${counted(fit.oversetLines, 'line')} over in ${name}, from “${words}”.`,
          effect: `${counted(fit.oversetWords, 'word')} would be missing.`,
          mends: [{ name: 'Make it fit …', open: 'fit', text: id }],
        },
      ];
    }),
};
