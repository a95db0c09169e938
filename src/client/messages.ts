import type { Passage } from '@/core/actions/quotes';
import type { FillSlots } from '@/core/actions/slots';
import type { ContinueThread, PlaceStory } from '@/core/actions/stories';
import type { PlacedCaret } from '@/core/compose/caret';
import type { Fit } from '@/core/compose/fit';
import type { Box, Point } from '@/core/geometry/box';
import type { StoredDiff, StoredRecord } from '@/core/records/stored';
import type { TextPlace } from '@/core/records/typing';
import type { Chunk } from '@/formats/svg/painter';

/** Actions that must see how text falls, and so are worked out beside the typesetter. */
export interface PlannedActions {
  placeStory: PlaceStory;
  continueThread: ContinueThread;
  fillSlots: FillSlots;
  makeQuote: Passage;
}

/** What an action does, and what is to be said of it. */
export interface Planned {
  readonly diff: StoredDiff;
  readonly says?: string | undefined;
}

/** A sentence of a text, and where it stands: boxes in page coordinates, one a line. */
export interface Sentence extends Passage {
  readonly words: string;
  readonly boxes: readonly { readonly page: string; readonly box: Box }[];
}

export type ToWorker =
  | { readonly type: 'open'; readonly records: readonly StoredRecord[] }
  | {
      readonly type: 'apply';
      readonly diff: StoredDiff;
      readonly caret?: { readonly text: string; readonly place: TextPlace };
    }
  /** A change that is being tried by hand; null when it is over. */
  | { readonly type: 'draft'; readonly diff: StoredDiff | null; readonly turn: number }
  /** Where the caret stands in a text that is being typed into: it is told with the pages. */
  | { readonly type: 'caret'; readonly caret: { readonly text: string; readonly place: TextPlace } }
  | { readonly type: 'watch'; readonly pages: readonly string[] }
  /** Pages to be drawn small, so many pixels wide. */
  | { readonly type: 'small'; readonly pages: readonly string[]; readonly width: number }
  /** Where in a text a point of a page is, or the line below or above a place. */
  | { readonly type: 'place'; readonly ask: number; readonly page: string; readonly point: Point; readonly text?: string }
  | { readonly type: 'beside'; readonly ask: number; readonly text: string; readonly place: TextPlace; readonly by: 1 | -1 }
  | { readonly type: 'sentences'; readonly ask: number; readonly text: string }
  | {
      readonly type: 'plan';
      readonly ask: number;
      readonly action: keyof PlannedActions;
      readonly intent: PlannedActions[keyof PlannedActions];
    };

/** A page drawn small. */
export interface DrawnPage {
  readonly page: string;
  readonly picture: ImageData;
}

/** A page as painted: its chunks in the order of painting; only those whose markup changed carry it. */
export interface PaintedPage {
  readonly page: string;
  readonly chunks: readonly (Omit<Chunk, 'markup'> & { readonly markup: string | undefined; readonly furniture: boolean })[];
}

export type FromWorker =
  | { readonly type: 'ready' }
  | {
      readonly type: 'composed';
      readonly turn: number;
      readonly pages: readonly PaintedPage[];
      /** Left out where nothing about them changed. */
      readonly fits?: readonly (readonly [text: string, fit: Fit])[];
      /** Where the caret of what was typed stands; null where no frame shows it. */
      readonly caret?: PlacedCaret | null;
      readonly grown?: readonly (readonly [frame: string, box: Box])[];
      /** Time that composing took, milliseconds. */
      readonly took: number;
    }
  | {
      readonly type: 'answer';
      readonly ask: number;
      readonly sentences?: readonly Sentence[];
      readonly planned?: Planned;
      readonly place?: { readonly text: string; readonly place: TextPlace } | undefined;
      readonly refused?: string;
    }
  /** Words that the waiting slots in sight take, by `slotKey`. */
  | { readonly type: 'slots'; readonly slots: readonly (readonly [slot: string, words: number])[] }
  | { readonly type: 'drawn'; readonly pages: readonly DrawnPage[] }
  | { readonly type: 'failed'; readonly message: string };
