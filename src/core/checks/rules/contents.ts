import { firstPageOf, storiesInOrder } from '../../page/fields';
import { framesOnPages, placedPages } from '../../page/pages';
import { bodyText, fieldsOf, paragraphsOf, plainText } from '../../records/body';
import { all, type Document, find } from '../../records/document';
import type { StoryRecord } from '../../records/index';
import type { Found } from '../finding';
import { remembered } from '../remembered';
import type { Rule } from '../rule';

function headlineOf(document: Document, { parts }: StoryRecord): string {
  const text = find(document, 'text', parts.headline);
  return text ? bodyText(text.body) : '';
}

/** A folio that is typed at the beginning or the end of a paragraph, and where. */
const typedIn = remembered((paragraph) => {
  const words = plainText(paragraph);
  const match = /^\s*([\p{L}]?\d{1,4})\b|\b([\p{L}]?\d{1,4})\s*$/u.exec(words);
  const typed = match && (match[1] ?? match[2]!);
  return typed ? { words, typed, from: words.indexOf(typed, match.index) } : undefined;
});

const foliosOf = remembered((paragraph) => fieldsOf(paragraph).filter(({ name, of }) => name === 'folio' && of !== undefined));

/** Lines of contents that name the wrong page, or a story that is on none. What the typesetter writes out is right by itself. */
export const CONTENTS: Rule = {
  name: 'contents',
  title: 'Errors in the contents',
  issue: ({ document }) => {
    const pages = placedPages(document);
    const known = storiesInOrder(document).map((story) => ({
      story,
      folio: pages[(firstPageOf(document, story.id) ?? 0) - 1]?.folio,
      names: [story.name, headlineOf(document, story)].filter((name) => name.trim().length >= SHORTEST),
    }));
    return all(document, 'text').flatMap((text): Found[] => {
      const [frame] = framesOnPages(document, text.id);
      if (!frame || text.role === 'headline') return [];
      const at = { page: frame.on, frame: frame.id, box: frame.box, text: text.id };
      return paragraphsOf(text.body).flatMap((node, paragraph): Found[] => {
        const gone = foliosOf(node).find(({ of }) => firstPageOf(document, of!) === undefined);
        if (gone && !node.attrs['each']) {
          const name = find(document, 'story', gone.of)?.name;
          const found: Found = {
            grave: 'fault',
            at: { ...at, paragraph },
            words: `The contents name ${name ? `“${name}”` : 'a story'}, which is on no page.`,
            effect: 'Readers would look for it in vain.',
          };
          return [found];
        }
        const line = typedIn(node);
        if (!line) return [];
        const { words, typed, from } = line;
        const entry = known.find(({ story, names }) => story.id !== text.story && names.some((name) => words.includes(name)));
        if (!entry?.folio || entry.folio === typed) return [];
        const found: Found = {
          grave: 'fault',
          at: { ...at, paragraph, from, to: from + typed.length },
          words: `The contents say page ${typed} for “${entry.story.name}”, which begins on page ${entry.folio}.`,
          effect: 'Readers would turn to the wrong page.',
          mends: [
            {
              name: `Say page ${entry.folio}`,
              do: 'replace',
              of: [{ text: text.id, paragraph, from, to: from + typed.length, words: entry.folio }],
            },
          ],
        };
        return [found];
      });
    });
  },
};

/** Names shorter than this are words that may stand anywhere. */
const SHORTEST = 6;
