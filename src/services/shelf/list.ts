import {
  listHouses,
  listIssues,
  listLanguages,
  listPublications,
  listRemoved,
  listStories,
  type IssueSummary,
  type Publication,
  type StorySummary,
} from '@/store/publications';
import { writerIn } from '@/core/plan/storyParts';
import type { StoryState } from '@/core/records/story';

/** A story that is asked for, and not through yet. */
export interface DueStory {
  readonly id: string;
  readonly name: string;
  /** Who writes it; '' where nobody is named. */
  readonly writer: string;
  /** ISO 8601. */
  readonly due: string;
}

/** How the work on an issue stands. */
export interface ShelfWork {
  readonly issue: string;
  /** How many stories are in each state. */
  readonly states: Readonly<Partial<Record<StoryState, number>>>;
  /** Those that are due first. */
  readonly due: readonly DueStory[];
}

export interface ShelfRow extends Publication {
  /** The document that holds its design. */
  readonly house: string | undefined;
  readonly language: string;
  readonly issues: readonly IssueSummary[];
  /** Of the issue that comes out next; undefined where none is to come. */
  readonly work: ShelfWork | undefined;
}

/** Every publication with its issues, the latest first. @param today ISO 8601 */
export async function listShelf(today: string): Promise<ShelfRow[]> {
  const [publications, issues, houses, languages] = await Promise.all([
    listPublications(),
    listIssues(),
    listHouses(),
    listLanguages(),
  ]);
  const own = publications.map((publication) => issues.filter((issue) => issue.publication === publication.id));
  const next = own.map((list) => list.filter(({ date }) => date >= today).at(-1)?.id);
  const stories = await listStories(next.flatMap((issue) => issue ?? []));
  return publications.map((publication, i) => ({
    ...publication,
    house: houses.get(publication.id),
    language: languages.get(publication.id) ?? 'en-GB',
    issues: own[i]!,
    work: workOf(
      next[i],
      stories.filter(({ issue }) => issue === next[i]),
    ),
  }));
}

/** How many stories are named that are due. */
const NAMED = 5;

function workOf(issue: string | undefined, stories: readonly StorySummary[]): ShelfWork | undefined {
  if (issue === undefined || stories.length === 0) return undefined;
  const states: Partial<Record<StoryState, number>> = {};
  for (const { state } of stories) states[state] = (states[state] ?? 0) + 1;
  const due = stories.flatMap(({ id, name, state, due: day, writer, byline }): DueStory[] =>
    day === null || state === 'passed' ? [] : [{ id, name, writer: writer ?? writerIn(byline ?? ''), due: day }],
  );
  return { issue, states, due: due.slice(0, NAMED) };
}

/** What was taken off the shelf, with where it is put back. */
export async function removedFromShelf(): Promise<{ url: string; name: string }[]> {
  return (await listRemoved()).map(({ kind, id, name }) => ({
    url: kind === 'publication' ? `/api/publications/${id}` : `/api/documents/${id}/shelf`,
    name,
  }));
}
