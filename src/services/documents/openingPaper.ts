import { formatOf, spreadAt } from '@/core/page/pages';
import { readDocument } from '@/core/records/stored';
import { recordsOf } from '@/store/documents';

/**
 * The paper that an issue opens at, points: a page and its bleed, and how many lie side by side.
 *
 * @param at the page that is to be in sight; where there is none, the issue opens at its beginning
 */
export async function openingPaper(issue: string, at: string | undefined) {
  // What decides which pages face each other, and nothing else.
  const document = readDocument(await recordsOf(issue, ['format', 'page']));
  const { width, height, bleed } = formatOf(document);
  return { width, height, bleed, pages: Math.max(1, spreadAt(document, at).length) };
}
