import { framesOnPages } from '../../page/pages';
import { bodyText } from '../../records/body';
import { all, find } from '../../records/document';
import type { Found } from '../finding';
import { shortened } from '../lines';
import { type Mend, nearestWords } from '../mends';
import { remembered } from '../remembered';
import type { Rule } from '../rule';

const plain = (words: string): string => words.replace(/[\s\u2028]+/g, ' ').trim();

const plainOf = remembered((body) => plain(bodyText(body)));

/** Pull quotes whose story no longer says so. */
export const QUOTES: Rule = {
  name: 'quotes',
  title: 'Pull quotes that their story no longer says',
  issue: ({ document }) =>
    all(document, 'text').flatMap((text): Found[] => {
      const { source } = text;
      const from = source && find(document, 'text', source.text);
      const [frame] = framesOnPages(document, text.id);
      if (!source || !from || !frame || plainOf(from.body).includes(plain(source.words))) return [];
      const now = nearestWords(document, source.text, source.words);
      const mends: Mend[] = [{ name: 'Keep it on purpose', do: 'untie', of: { quote: text.id } }];
      if (now) mends.unshift({ name: `Quote “${shortened(now)}”`, do: 'requote', of: { quote: text.id, words: now } });
      return [
        {
          grave: 'fault',
          at: { page: frame.on, frame: frame.id, box: frame.box, text: text.id, story: text.story },
          words: `The story no longer says “${shortened(source.words)}”.`,
          effect: 'Somebody would be quoted with words that the story does not have.',
          mends,
        },
      ];
    }),
};
