import type { RecordBase } from './common';

/** How far a story is, in the order of the work. */
export const STORY_STATES = ['planned', 'commissioned', 'delivered', 'edited', 'passed'] as const;
export type StoryState = (typeof STORY_STATES)[number];

/** A story: its name, and the texts that are its parts. */
export interface StoryRecord extends RecordBase<'story'> {
  readonly name: string;
  readonly section: string;
  readonly order: string;
  /** Which of the eight story tints marks it in plan and page line, 0 to 7. */
  readonly tint: number;
  readonly parts: {
    readonly headline: string;
    readonly body: string;
    readonly standfirst?: string | undefined;
    readonly byline?: string | undefined;
  };
  /** Planned when not said. */
  readonly state?: StoryState | undefined;
  /** The day its copy is due, ISO 8601. */
  readonly due?: string | undefined;
  /** How many words it is meant to have. */
  readonly target?: number | undefined;
}
