import { storiesInOrder } from '../../page/fields';
import { bodyText } from '../../records/body';
import { find, threadOf } from '../../records/document';
import type { Found } from '../finding';
import type { Rule } from '../rule';

const plain = (words: string): string =>
  words
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** The same headline over two stories. */
export const HEADLINES: Rule = {
  name: 'headlines',
  title: 'Headlines used twice',
  issue: ({ document }) => {
    const seen = new Map<string, string>();
    return storiesInOrder(document).flatMap((story): Found[] => {
      const text = find(document, 'text', story.parts.headline);
      const words = text && bodyText(text.body).trim();
      if (!words || plain(words) === '') return [];
      const other = seen.get(plain(words));
      if (other === undefined) seen.set(plain(words), story.name);
      const [frame] = threadOf(document, text.id);
      if (other === undefined || !frame) return [];
      return [
        {
          grave: 'fault',
          at: { page: frame.on, frame: frame.id, box: frame.box, text: text.id, story: story.id },
          words: `“${words}” is also the headline of “${other}”.`,
          effect: 'Readers take one for the other.',
        },
      ];
    });
  },
};
