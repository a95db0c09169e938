import { storiesInOrder } from '../../page/fields';
import { bodyText, countWords } from '../../records/body';
import { all, find, threadOf } from '../../records/document';
import { framesOnPages } from '../../page/pages';
import type { Found } from '../finding';
import { remembered } from '../remembered';
import type { Rule } from '../rule';

/** Words that two stories must share for one to be the other again. */
const ENOUGH = 20;

const wordsIn = remembered((body) => {
  const words = bodyText(body);
  return { words, count: countWords(words) };
});

/** Stories on no page, or only in part, and the same story twice. */
export const UNPLACED: Rule = {
  name: 'unplaced',
  title: 'Stories on no page, or twice',
  issue: ({ document }) => {
    const placed = storiesInOrder(document);
    const isPlaced = new Set(placed.map(({ id }) => id));
    const out: Found[] = [];
    for (const story of all(document, 'story')) {
      const at = { story: story.id, text: story.parts.body };
      const { name } = story;
      if (!isPlaced.has(story.id)) {
        out.push({
          grave: 'fault',
          at,
          words: `“${name}” is on no page.`,
          effect: 'Readers would not get it.',
          mends: [{ name: 'Give it a page …', open: 'plan' }],
        });
        continue;
      }
      const body = find(document, 'text', story.parts.body);
      const hasWords = body && wordsIn(body.body).count > 0;
      if (hasWords && framesOnPages(document, body.id).length === 0)
        out.push({
          grave: 'grave',
          at,
          words: `The main text of “${name}” is on no page, though other parts of it are.`,
          effect: 'Readers would get a headline without a story.',
          mends: [{ name: 'Give it a page …', open: 'plan' }],
        });
    }
    const seen = new Map<string, string>();
    for (const story of placed) {
      const text = find(document, 'text', story.parts.body);
      const { words, count } = text ? wordsIn(text.body) : { words: '', count: 0 };
      if (count < ENOUGH) continue;
      const other = seen.get(words);
      if (other === undefined) seen.set(words, story.name);
      else {
        const frame = threadOf(document, story.parts.body)[0];
        out.push({
          grave: 'fault',
          at: { page: frame?.on, frame: frame?.id, box: frame?.box, story: story.id, text: story.parts.body },
          words: `“${story.name}” says the same as “${other}”.`,
          effect: 'Readers would get the same story twice.',
        });
      }
    }
    return out;
  },
};
