import type { Fit } from '@/core/compose/text/fit';
import { countWords, paragraphsOf, plainText } from '@/core/records/body';
import type { Node } from 'prosemirror-model';

/** Pages that the specimen's text stands on. */
const PAGES = 2;

/** What dummy text tells of a page: how much of it is shown, over how many lines. Undefined while it is not set. */
export function specimenFigures(
  body: Node,
  fit: Fit | undefined,
): { readonly charactersPerLine: number; readonly wordsPerPage: number } | undefined {
  if (!fit || fit.lines === fit.oversetLines) return undefined;
  const texts = paragraphsOf(body).map(plainText);
  const from = fit.oversetFrom ?? { paragraph: texts.length, offset: 0 };
  const shown = [...texts.slice(0, from.paragraph), (texts[from.paragraph] ?? '').slice(0, from.offset)];
  const characters = shown.reduce((sum, text) => sum + text.length, 0);
  const words = shown.reduce((sum, text) => sum + countWords(text), 0);
  return { charactersPerLine: characters / (fit.lines - fit.oversetLines), wordsPerPage: Math.round(words / PAGES) };
}
