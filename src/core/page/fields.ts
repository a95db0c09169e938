import { type Document, find, threadOf } from '../records/document';
import type { FieldAttrs } from '../records/text';
import { placedPage } from './pages';

/** Where a field stands: on which page, and on which pages its story goes on and comes from. */
export interface FieldPlace {
  readonly number: number;
  readonly next?: number | undefined;
  readonly previous?: number | undefined;
  readonly story?: string | undefined;
}

/** What a field shows. What is not known (the page after the last) shows as nothing. */
export function fieldValue(document: Document, { name, of }: FieldAttrs, place: FieldPlace): string {
  const issue = find(document, 'issue', 'issue');
  const shown = (value: number | undefined) => (value === undefined ? '' : String(value));
  switch (name) {
    case 'folio':
      return of === undefined ? String(place.number) : shown(firstPageOf(document, of));
    case 'nextFolio':
      return shown(place.next);
    case 'previousFolio':
      return shown(place.previous);
    case 'publication':
      return issue?.publication ?? '';
    case 'number':
      return issue?.number ?? '';
    case 'season':
      return issue?.season ?? '';
    case 'date':
      return issue?.date ?? '';
    case 'section':
      return find(document, 'story', place.story)?.section ?? '';
    case 'story':
      return find(document, 'story', place.story)?.name ?? '';
    default:
      return find(document, 'details', 'details')?.[name] ?? '';
  }
}

/** The number of the first page that shows anything of a story; undefined while none does. */
export function firstPageOf(document: Document, story: string): number | undefined {
  const parts = find(document, 'story', story)?.parts;
  const numbers = Object.values(parts ?? {}).flatMap((text) =>
    threadOf(document, text ?? '').flatMap((frame) => placedPage(document, frame.on)?.number ?? []),
  );
  return numbers.length > 0 ? Math.min(...numbers) : undefined;
}
