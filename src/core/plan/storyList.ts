import { placedPage } from '../page/pages';
import { storiesInOrder } from '../page/fields';
import { bodyText, countWords } from '../records/body';
import { counted } from '../records/count';
import { all, type Document, find, threadOf } from '../records/document';
import type { StoryRecord } from '../records/index';

/** A story as the plan lists it. */
export interface PlannedStory {
  readonly story: StoryRecord;
  /** Folios of the pages that show its body, the first and the last. */
  readonly pages: readonly [string, string] | undefined;
  readonly isPlaced: boolean;
}

const wordCounts = new WeakMap<object, number>();

/** Words of a story's body; counted when they are asked for, and once as long as it is the same. */
export function wordsOf(document: Document, story: StoryRecord): number {
  const text = find(document, 'text', story.parts.body);
  if (!text) return 0;
  let words = wordCounts.get(text.body);
  if (words === undefined) wordCounts.set(text.body, (words = countWords(bodyText(text.body))));
  return words;
}

/** All stories: those on pages in the order of their pages, then those that wait. */
export function storyList(document: Document): PlannedStory[] {
  const placed = storiesInOrder(document);
  const isPlaced = new Set(placed.map(({ id }) => id));
  return [...placed, ...all(document, 'story').filter(({ id }) => !isPlaced.has(id))].map((story) => {
    const pages = threadOf(document, story.parts.body).flatMap(({ on }) => placedPage(document, on) ?? []);
    const sorted = [...pages].sort((a, b) => a.number - b.number);
    return {
      story,
      pages: sorted.length > 0 ? [sorted[0]!.folio, sorted.at(-1)!.folio] : undefined,
      isPlaced: isPlaced.has(story.id),
    };
  });
}

/** Pages that a story stands on, in a word: "4", "4–7". */
export const pagesWords = (pages: PlannedStory['pages']): string =>
  pages === undefined ? '' : pages[0] === pages[1] ? pages[0] : `${pages[0]}–${pages[1]}`;

/** How a story stands to its day: days left, negative when it is late; undefined where it has none, or is through. */
export function daysLeft(story: StoryRecord, today: string): number | undefined {
  return story.due === undefined || story.state === 'passed' ? undefined : daysUntil(story.due, today);
}

/** Days from one day to another, ISO 8601 both. */
export const daysUntil = (day: string, today: string): number => Math.round((Date.parse(day) - Date.parse(today)) / 86_400_000);

/** How a story stands to its day, in words. */
export const dueWords = (days: number): string =>
  days < 0 ? `${counted(-days, 'day')} late` : days === 0 ? 'due today' : `due in ${counted(days, 'day')}`;
