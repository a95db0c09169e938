import { counted } from '../../records/count';
import type { Found } from '../finding';
import { BY_FIT } from '../../fit/paragraphsSet';
import type { Rule } from '../rule';

/** What a paragraph says over its style, but for what Fit has said to make it fit. */
const saysByHand = (local: object | undefined): boolean => Object.keys(local ?? {}).some((key) => !BY_FIT.has(key));

/** Formatting that no style says. */
export const BY_HAND: Rule = {
  name: 'byHand',
  title: 'Formatting by hand',
  text: ({ text }) => {
    let count = 0;
    let paragraph = -1;
    let first: { paragraph: number; from: number; to: number } | undefined;
    let at = 0;
    text.body.descendants((node) => {
      if (node.type.name === 'paragraph') {
        paragraph++;
        at = 0;
        if (saysByHand(node.attrs['local'])) {
          count++;
          first ??= { paragraph, from: 0, to: node.content.size };
        }
        return true;
      }
      if (node.isInline) {
        if (node.marks.some(({ type }) => type.name === 'local')) {
          count++;
          first ??= { paragraph, from: at, to: at + node.nodeSize };
        }
        at += node.nodeSize;
      }
      return true;
    });
    if (!first) return [];
    const found: Found = {
      grave: 'detail',
      at: { text: text.id, story: text.story, ...first },
      words: `${counted(count, 'stretch', 'stretches')} formatted by hand, over the house’s styles.`,
      effect: 'A change to the styles does not reach it.',
      mends: [{ name: 'Leave it to the styles', do: 'clearByHand', of: { text: text.id } }],
    };
    return [found];
  },
};
