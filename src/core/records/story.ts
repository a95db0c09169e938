import type { RecordBase } from './common';
import { DAY, type Kind, LINE, maybe, oneOf, ORDER, parts, reference, whole, words } from './kind';

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
  /** Who writes it, where its byline does not say so yet. */
  readonly writer?: string | undefined;
  /** The file that its copy came in, by name: the same one again is compared with it. */
  readonly file?: string | undefined;
  /** What is said of it at the desk; it never prints. */
  readonly notes?: string | undefined;
}

export const STORY: Kind<StoryRecord> = {
  called: 'story',
  fields: {
    name: LINE,
    section: LINE,
    order: ORDER,
    tint: whole(0, 7),
    parts: parts({
      headline: reference('text', 'goes'),
      body: reference('text', 'goes'),
      standfirst: maybe(reference('text', 'forgets')),
      byline: maybe(reference('text', 'forgets')),
    }),
    state: maybe(oneOf(...STORY_STATES)),
    due: maybe(DAY),
    target: maybe(whole(1, 1_000_000)),
    writer: maybe(LINE),
    file: maybe(LINE),
    notes: maybe(words(10_000)),
  },
};
