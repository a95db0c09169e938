import { framesOnPages, placedPage, placedPages } from '../../page/pages';
import { fieldsOf, paragraphsOf, plainText } from '../../records/body';
import { all } from '../../records/document';
import type { Found } from '../finding';
import { remembered } from '../remembered';
import type { Rule } from '../rule';

/** Words that lead to another page, as they are typed: the folio is its last group. */
const TYPED =
  /\b(?:continued|continues|cont\.|turn|see|from)\s+(?:on|to|overleaf on)?\s*(?:page|p\.)\s+([\p{L}]?\d+|[ivxlc]+)\b/giu;

const typedIn = remembered((paragraph) =>
  [...plainText(paragraph).matchAll(TYPED)].map(({ 0: words, 1: folio, index }) => ({ words, folio: folio!, index })),
);

const hasFolios = remembered((paragraph) =>
  fieldsOf(paragraph).some(({ name }) => name === 'nextFolio' || name === 'previousFolio'),
);

/** Jump lines that lead nowhere, whether the typesetter keeps them or a hand typed them. */
export const JUMPS: Rule = {
  name: 'jumps',
  title: 'Jump lines that lead nowhere',
  issue: ({ document }) => {
    const folios = new Set(placedPages(document).map(({ folio }) => folio));
    const jumpTexts = new Set(
      all(document, 'frame').flatMap(({ content }) =>
        content.type === 'text' ? [content.jumpTo, content.jumpFrom].filter((id) => id !== undefined) : [],
      ),
    );
    return all(document, 'text').flatMap((text): Found[] => {
      const frames = framesOnPages(document, text.id);
      const [first] = frames;
      if (!first || jumpTexts.has(text.id)) return [];
      const own = new Set(frames.map(({ on }) => placedPage(document, on)!.folio));
      const at = { page: first.on, frame: first.id, box: first.box, text: text.id, story: text.story };
      return paragraphsOf(text.body).flatMap((node, paragraph): Found[] => {
        const out: Found[] = [];
        if (own.size < 2 && hasFolios(node))
          out.push({
            grave: 'fault',
            at: { ...at, paragraph },
            words: 'A jump line names the page on which its text continues, but all of the text is on one page.',
            effect: 'It would name no page.',
          });
        for (const { words, folio, index } of typedIn(node)) {
          const continues = /^cont/i.test(words);
          const isWrong = !folios.has(folio) || (continues && text.role !== 'furniture' && own.size > 1 && !own.has(folio));
          if (!isWrong) continue;
          out.push({
            grave: 'fault',
            at: { ...at, paragraph, from: index, to: index + words.length },
            words: folios.has(folio)
              ? `“${words}” is typed, and the text does not continue there.`
              : `“${words}” is typed, and there is no page ${folio}.`,
            effect: 'Readers would look for it in vain.',
          });
        }
        return out;
      });
    });
  },
};
