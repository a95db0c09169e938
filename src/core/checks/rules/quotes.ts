import { framesOnPages } from '../../page/pages';
import { saysOf } from '../../actions/quotes';
import { bodyText } from '../../records/body';
import { all, type Document, find } from '../../records/document';
import type { TextRecord } from '../../records/index';
import type { Found } from '../finding';
import { shortened } from '../lines';
import { type Mend, nearestWords } from '../mends';
import { remembered } from '../remembered';
import type { Rule } from '../rule';

const plain = (words: string): string => words.replace(/[\s\u2028]+/g, ' ').trim();

const plainOf = remembered((body) => plain(bodyText(body)));

/**
 * What is wrong with a quote: its story says its passage no longer, and what it says now that is nearest; or the quote has words
 * that its passage has not. Undefined where nothing is.
 */
export function quoteTrouble(
  document: Document,
  text: TextRecord,
): { readonly is: 'story' | 'quote'; readonly was: string; readonly now: string | undefined } | undefined {
  const { source } = text;
  const from = source && find(document, 'text', source.text);
  if (!source || !from) return undefined;
  if (!plainOf(from.body).includes(plain(source.words)))
    return { is: 'story', was: source.words, now: nearestWords(document, source.text, source.words) };
  return saysOf(plainOf(text.body), source.words) ? undefined : { is: 'quote', was: plainOf(text.body), now: source.words };
}

/** Pull quotes whose story no longer says so, or that say what their story does not. */
export const QUOTES: Rule = {
  name: 'quotes',
  title: 'Pull quotes that their story no longer says',
  issue: ({ document }) =>
    all(document, 'text').flatMap((text): Found[] => {
      const [frame] = framesOnPages(document, text.id);
      const trouble = frame && quoteTrouble(document, text);
      if (!frame || !trouble) return [];
      const { is, was, now } = trouble;
      const mends: Mend[] = [{ name: 'Keep it on purpose', do: 'untie', of: { quote: text.id } }];
      if (now) mends.unshift({ name: `Quote “${shortened(now)}”`, do: 'requote', of: { quote: text.id, words: now } });
      return [
        {
          grave: 'fault',
          at: { page: frame.on, frame: frame.id, box: frame.box, text: text.id, story: text.story },
          words:
            is === 'story'
              ? `The story no longer says “${shortened(was)}”.`
              : `The quote says “${shortened(was)}”, which the story does not.`,
          effect: 'Somebody would be quoted with words that the story does not have.',
          mends,
        },
      ];
    }),
};
