import type { Composed } from '../compose/composer';
import type { Fit } from '../compose/text/fit';
import type { PlacedPage } from '../page/pages';
import type { Diff } from '../records/diff';
import type { Document } from '../records/document';
import type { FrameRecord, StoryRecord, TextRecord } from '../records/index';
import type { StyleSheet } from '../type/styles';

/** What a text needs: fewer lines, for what is over; or more, for the room that is left. */
export type Need = 'fewer' | 'more';

/** A text that is to be made to fit, as it is, and a way to see what something would do to it. */
export interface FitView {
  readonly document: Document;
  readonly text: TextRecord;
  readonly story: StoryRecord | undefined;
  /** The frames on pages that it runs through, in order. */
  readonly frames: readonly FrameRecord[];
  /** The pages that they lie on, in order. */
  readonly pages: readonly PlacedPage[];
  readonly composed: Composed;
  readonly fit: Fit;
  readonly need: Need;
  /** Lines that are over, or that there is room for. */
  readonly lines: number;
  readonly sheet: StyleSheet;
  readonly language: string;
  /** How the text would fit with something done to the document, and what was composed. */
  tried(diff: Diff): { readonly fit: Fit; readonly composed: Composed };
  /** What composes, for actions that must see how text falls. */
  readonly typesetter: { compose(document: Document): Composed };
}

/** Words that would be cut: shown struck through, never cut but by a press. */
export interface Cut {
  readonly paragraph: number;
  readonly from: number;
  readonly to: number;
  readonly words: string;
}

/** Something that may be done, before it is known what it does. */
export interface Candidate {
  /** Names it among all of the text’s. */
  readonly id: string;
  /** “Picture four lines less deep”. */
  readonly name: string;
  /** What it costs, in words: “92 % of its height”. */
  readonly price: string;
  /** What it does to a document in which others may have been done before it. */
  readonly done: (document: Document) => Diff;
  readonly cut?: Cut | undefined;
}

/** A way to make a text fit, one file each: what it may try, one after another. */
export interface FitWay {
  readonly name: string;
  readonly need: readonly Need[];
  readonly candidates: (view: FitView) => Iterable<Candidate | undefined>;
}

/** What was tried by composing, and what it did. */
export interface TriedMend extends Omit<Candidate, 'done'> {
  /** Lines by which the text comes nearer to fitting, by itself. */
  readonly lines: number;
  /** Widows, orphans and stubs of words that it takes away. */
  readonly tidied: number;
}

/** Lines that a text is over, negative for those that it is short of its space. */
export const overBy = ({ oversetLines, room }: Pick<Fit, 'oversetLines' | 'room'>): number =>
  oversetLines > 0 ? oversetLines : -room;
