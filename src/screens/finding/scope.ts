import { inOrder, positionOf, rangeOf } from '@/core/editing/places';
import type { Stretch } from '@/core/finding/replacing';
import { storyParts } from '@/core/plan/storyParts';
import { all, type Document, find } from '@/core/records/document';
import { frameName } from '@/core/records/kinds/frames';
import type { TextRecord } from '@/core/records/index';
import type { InHand } from '../text/textInHand';

/** Where something is looked for. */
export const SCOPES = {
  issue: 'The issue',
  story: 'This story',
  selection: 'What is selected',
  all: 'All issues of the publication',
} as const;
export type Scope = keyof typeof SCOPES;

/** The texts of a scope: stories part by part, then what belongs to none. */
export function textsOf(
  document: Document,
  scope: Scope,
  story: string | undefined,
  selected: InHand | undefined,
): readonly TextRecord[] {
  if (scope === 'selection' && selected) return [find(document, 'text', selected.text)].flatMap((text) => text ?? []);
  const own = find(document, 'story', story);
  if (scope === 'story' && own) return storyParts(document, own).map(({ text }) => text);
  const parts = all(document, 'story').flatMap((each) => storyParts(document, each).map(({ text }) => text));
  const known = new Set(parts.map(({ id }) => id));
  return [...parts, ...all(document, 'text').filter(({ id }) => !known.has(id))];
}

/** Whether a stretch lies in what is selected. */
export function isSelected(stretch: Stretch, { text, state }: InHand): boolean {
  const { from, to } = inOrder(rangeOf(state));
  const at = (offset: number) => positionOf(state.doc, { paragraph: stretch.paragraph, offset });
  return stretch.text === text && at(stretch.from) >= positionOf(state.doc, from) && at(stretch.to) <= positionOf(state.doc, to);
}

/** What a text is called where places in it are listed. */
export function whereOf(document: Document, id: string): string {
  const text = find(document, 'text', id);
  const story = find(document, 'story', text?.story);
  if (story) {
    const part = storyParts(document, story).find((each) => each.text.id === id);
    return `${story.name}: ${(part?.called ?? 'text').toLowerCase()}`;
  }
  const frame = all(document, 'frame').find(({ content }) => content.type === 'text' && content.text === id);
  return frame ? frameName(document, frame) : 'Text';
}
