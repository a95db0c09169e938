import type { RecordBase } from './common';
import { type Kind, LINE, maybe, reference, words } from './kind';

/** Somebody looked at what a check found and lets it pass, for a reason. */
export interface AcceptanceRecord extends RecordBase<'acceptance'> {
  /** What was found, by the rule and the place; and what was said of it: where it says something else, it is asked again. */
  readonly finding: string;
  readonly words: string;
  readonly reason: string;
  /** Where it was found: it goes with that. */
  readonly at?: string | undefined;
}

export const ACCEPTANCE: Kind<AcceptanceRecord> = {
  called: 'accepted finding',
  fields: {
    finding: LINE,
    words: words(2000),
    reason: words(2000),
    at: maybe(reference(['page', 'frame', 'text', 'story', 'picture', 'swatch', 'advertisement', 'master'], 'goes')),
  },
};
