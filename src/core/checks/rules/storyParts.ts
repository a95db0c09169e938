import { storiesInOrder } from '../../page/fields';
import { framesOnPages } from '../../page/pages';
import { wordsOf } from '../../plan/storyList';
import { bodyText, paragraphsOf } from '../../records/body';
import { find, threadOf } from '../../records/document';
import type { Found } from '../finding';
import type { Mend } from '../mends';
import { type Rule, styleOf } from '../rule';

/** Stories without the byline or the end mark that their length asks for. */
export const STORY_PARTS: Rule = {
  name: 'storyParts',
  title: 'Stories without byline or end mark',
  issue: (view) => {
    const { document, limits, sheet } = view;
    return storiesInOrder(document).flatMap((story): Found[] => {
      const out: Found[] = [];
      const words = wordsOf(document, story);
      const [frame] = threadOf(document, story.parts.body);
      const at = { page: frame?.on, frame: frame?.id, box: frame?.box, text: story.parts.body, story: story.id };
      const byline = find(document, 'text', story.parts.byline);
      const isSigned = byline && bodyText(byline.body).trim() !== '' && framesOnPages(document, byline.id).length > 0;
      if (limits.byline > 0 && words >= limits.byline && !isSigned)
        out.push({
          grave: 'fault',
          at,
          words: `“${story.name}” has no byline on its pages.`,
          effect: 'Nobody would stand for it.',
          mends: [{ name: 'Open it in Copy', open: 'copy', story: story.id }],
        });
      const body = find(document, 'text', story.parts.body);
      if (limits.endMark === 0 || words < limits.endMark || !body) return out;
      const last = paragraphsOf(body.body).length - 1;
      if (styleOf(view, body, last).endMark) return out;
      const marked = [...sheet.paragraph].find(([, style]) => style.endMark)?.[0];
      const name = find(document, 'paragraphStyle', marked)?.name;
      const stretch = { text: body.id, paragraph: last, from: 0, to: 0 };
      const mends: Mend[] = marked
        ? [{ name: `Set its end in “${name}”`, do: 'replace', of: [{ ...stretch, paragraphStyle: marked }] }]
        : [{ name: 'Open Type', open: 'house', chapter: 'type' }];
      out.push({
        grave: 'detail',
        at: { ...at, paragraph: last },
        words: `“${story.name}” ends without an end mark.`,
        effect: 'Readers turn the page to look for more.',
        mends,
      });
      return out;
    });
  },
};
