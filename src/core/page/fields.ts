import { type Document, all, find, threadOf } from '../records/document';
import { bodyText } from '../records/body';
import type { StoryRecord } from '../records/index';
import type { FieldAttrs } from '../records/text';
import { placedPage, placedPages } from './pages';

/** Where a field stands: on which page, counted from 1, and on which pages its story goes on and comes from. */
export interface FieldPlace {
  readonly number: number;
  readonly next?: number | undefined;
  readonly previous?: number | undefined;
  readonly story?: string | undefined;
}

/** Stands for any story where there is none yet: fields that speak of it show what they will. */
export const SAMPLE_STORY = 'sample';

const SAMPLE_WORDS: Partial<Record<FieldAttrs['name'], string>> = {
  story: 'Name of a story',
  section: 'Section',
  standfirst: 'Its standfirst, in a sentence or two.',
};

/** What a field shows. What is not known (the page after the last) shows as nothing. */
export function fieldValue(document: Document, { name, of }: FieldAttrs, place: FieldPlace): string {
  if (of === SAMPLE_STORY) return name === 'folio' ? '00' : (SAMPLE_WORDS[name] ?? '');
  const issue = find(document, 'issue', 'issue');
  const pageAt = (number: number | undefined) => (number === undefined ? undefined : placedPages(document)[number - 1]);
  const story = find(document, 'story', of ?? place.story);
  switch (name) {
    case 'folio':
      return pageAt(of === undefined ? place.number : firstPageOf(document, of))?.folio ?? '';
    case 'nextFolio':
      return pageAt(place.next)?.folio ?? '';
    case 'previousFolio':
      return pageAt(place.previous)?.folio ?? '';
    case 'publication':
      return issue?.publication ?? '';
    case 'number':
      return issue?.number ?? '';
    case 'season':
      return issue?.season ?? '';
    case 'date':
      return issue?.date ?? '';
    case 'section':
      return (story ? story.section : pageAt(place.number)?.section?.name) ?? '';
    case 'story':
      return story?.name ?? '';
    case 'standfirst': {
      const text = find(document, 'text', story?.parts.standfirst);
      return text ? bodyText(text.body) : '';
    }
    default:
      return find(document, 'details', 'details')?.[name] ?? '';
  }
}

const PARTS = ['headline', 'body', 'standfirst', 'byline'] as const;

/** The number of the first page that shows anything of a story; undefined while none does. */
export function firstPageOf(document: Document, story: string): number | undefined {
  return placeOfStory(document, find(document, 'story', story))?.number;
}

/** Where a story begins: its first page, and the highest of its frames there. */
function placeOfStory(document: Document, story: StoryRecord | undefined) {
  let first: { number: number; y: number; x: number } | undefined;
  for (const part of PARTS) {
    const text = story?.parts[part];
    if (text === undefined) continue;
    for (const { on, box } of threadOf(document, text)) {
      const number = placedPage(document, on)?.number;
      if (number === undefined) continue;
      const at = { number, y: box.y, x: box.x };
      if (!first || before(at, first)) first = at;
    }
  }
  return first;
}

type PlaceOnPage = NonNullable<ReturnType<typeof placeOfStory>>;
const before = (a: PlaceOnPage, b: PlaceOnPage): boolean =>
  a.number !== b.number ? a.number < b.number : a.y !== b.y ? a.y < b.y : a.x < b.x;

const inOrder = new WeakMap<Document, readonly StoryRecord[]>();

/** The stories that stand on pages, in the order in which a reader meets them. */
export function storiesInOrder(document: Document): readonly StoryRecord[] {
  let list = inOrder.get(document);
  if (!list) {
    const placed = all(document, 'story').flatMap((story) => {
      const at = placeOfStory(document, story);
      return at ? [{ story, at }] : [];
    });
    placed.sort((a, b) => (before(a.at, b.at) ? -1 : before(b.at, a.at) ? 1 : 0));
    inOrder.set(document, (list = placed.map(({ story }) => story)));
  }
  return list;
}
