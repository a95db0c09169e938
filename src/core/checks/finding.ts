import type { Box } from '../geometry/box';
import type { Mend } from './mends';

/**
 * How much a finding weighs. `grave`: what is delivered would be wrong, and nobody could miss it. `fault`: it would be seen or
 * cost something. `detail`: a careful reader would have it otherwise.
 */
export type Gravity = 'grave' | 'fault' | 'detail';

/** Where something was found. Boxes in points of the page. */
export interface Place {
  readonly page?: string | undefined;
  readonly frame?: string | undefined;
  readonly box?: Box | undefined;
  readonly text?: string | undefined;
  /** A stretch of the text. */
  readonly paragraph?: number | undefined;
  readonly from?: number | undefined;
  readonly to?: number | undefined;
  readonly story?: string | undefined;
  readonly picture?: string | undefined;
  readonly swatch?: string | undefined;
  readonly advertisement?: string | undefined;
}

/** What a rule says of one place. */
export interface Found {
  readonly grave: Gravity;
  readonly at: Place;
  /** What is wrong, with its figures, in one sentence. */
  readonly words: string;
  /** What it would do in print or on a screen, in one sentence. */
  readonly effect: string;
  readonly mends?: readonly Mend[];
}

/** What was found, by a rule, at a place. */
export interface Finding extends Found {
  /** Names it among all. */
  readonly key: string;
  /** Its rule and the record at its place: the same whenever it is found again. */
  readonly about: string;
  readonly rule: string;
  /** What the rule looks for, as a heading: “Text over”. */
  readonly title: string;
  readonly mends: readonly Mend[];
  /** Why somebody let it pass; undefined where nobody did. */
  readonly accepted: string | undefined;
}

/** Nobody has let it pass. */
export const isOpen = ({ accepted }: Pick<Finding, 'accepted'>): boolean => accepted === undefined;

/** What a delivery is held for. */
export const isOpenGrave = (finding: Pick<Finding, 'accepted' | 'grave'>): boolean =>
  isOpen(finding) && finding.grave === 'grave';

/** What is counted at the word Checks and stands in the page line: all but details. */
export const isCounted = (finding: Pick<Finding, 'accepted' | 'grave'>): boolean => isOpen(finding) && finding.grave !== 'detail';
