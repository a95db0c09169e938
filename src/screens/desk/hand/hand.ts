import { useSyncExternalStore } from 'react';
import type { Sentence } from '@/client/typesetter';
import type { Place } from '@/core/actions/frames';
import type { PlacedCaret } from '@/core/compose/displayList/caret';
import type { GuideAt } from '@/core/actions/guides';
import type { Box, Point } from '@/core/geometry/box';
import type { Stretch } from '@/core/page/grid';
import type { PointOf } from '@/core/geometry/editing';
import type { Seen } from '@/core/geometry/neighbours';
import type { Outline } from '@/core/geometry/outline';
import type { PlacedPage } from '@/core/page/pages';
import type { CropValues } from '@/core/properties/crop';
import type { Appearance } from '@/core/properties/look';
import type { PageGuide } from '@/core/records/page';
import { type FrameInSight, inPlace } from '../frames/frameInSight';
import type { TextHolder } from '../../text/textInHand';
import type { Target } from './freeSpace';

/** A stretch that is marked out, or asks what it shall be. */
export interface Marked {
  readonly page: PlacedPage;
  readonly stretch: Stretch;
  readonly box: Box;
}

/** What is on its way over the desk: from the tray, or the tail of a thread. */
export interface Carry {
  readonly what: 'story' | 'picture' | 'advertisement' | 'tail' | 'finish' | 'furniture';
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly target: Target | undefined;
  readonly allPages: boolean;
}

/** Sentences to choose one from for a quote. */
export interface Picking {
  readonly sentences: readonly Sentence[];
  readonly lit: number;
}

/**
 * What the hand is doing, one thing at a time. What a key or a press means follows from it, so that none can mean
 * something in a state that nobody is in:
 * `choosing` frames, with nothing under way; `measuring` between two points; `guiding` a guide over the page, `marking` out a
 * stretch, `gathering` frames by a line around them, `moving` or sizing frames, `turning` one, `bending` what one looks like,
 * `carrying` something over the desk, all as long as the pointer is held; `asking` what a marked stretch shall be;
 * `listing` what can be done with what was pressed;
 * `cropping` a picture under its frame; `outlining` a frame point by point; `picking` a sentence; `typing` into a text.
 */
export type Doing =
  | { readonly doing: 'choosing' }
  | { readonly doing: 'marking'; readonly marked: Marked }
  /** Drawing a line around frames; in coordinates of the spread. */
  | { readonly doing: 'gathering'; readonly around: Box }
  | { readonly doing: 'asking'; readonly marked: Marked }
  /** A menu of what can be done with what was pressed lies there, pixels of the desk. */
  | { readonly doing: 'listing'; readonly of: 'frame' | 'spread'; readonly at: Point }
  /** The same for a page of the page line, a story or a picture of the tray. */
  | { readonly doing: 'listing'; readonly of: 'page' | 'story' | 'picture'; readonly id: string; readonly at: Point }
  /** `seen`: the lines and gaps that what is moved shares with what lies around it. */
  | {
      readonly doing: 'moving';
      readonly places: ReadonlyMap<string, Place>;
      readonly seen: readonly Seen[];
      /** How far all of them were moved together, points; undefined where they are sized. */
      readonly by?: Point | undefined;
      /** The picture with which the one in the hand would change places. */
      readonly onto?: Target | undefined;
    }
  /** Drawing or moving a guide; without `guide` it is let go beside the pages, which removes it. */
  | {
      readonly doing: 'guiding';
      readonly direction: PageGuide['direction'];
      readonly from?: GuideAt | undefined;
      /** Where it is now, in coordinates of the spread. */
      readonly at: number;
      readonly page?: string | undefined;
      readonly guide?: PageGuide | undefined;
    }
  /** Measuring between two points of the spread. */
  | { readonly doing: 'measuring'; readonly from: Point; readonly to: Point }
  /** Turning a frame, degrees clockwise. */
  | { readonly doing: 'turning'; readonly frame: string; readonly rotation: number }
  | { readonly doing: 'bending'; readonly frame: string; readonly look: Partial<Appearance> }
  | { readonly doing: 'carrying'; readonly carry: Carry }
  /** Inside a picture, whose frame stays where it is; `crop` while it is being moved, zoomed or turned. */
  | { readonly doing: 'cropping'; readonly frame: string; readonly crop?: CropValues }
  /** Mending the outline that text runs around a frame by; `outline` while a point is under the hand. */
  | {
      readonly doing: 'outlining';
      readonly frame: string;
      readonly at?: PointOf | undefined;
      readonly outline?: Outline | undefined;
      readonly standOff?: number | undefined;
    }
  | ({ readonly doing: 'picking' } & Picking)
  /** `drop`: where what is selected would come to stand if it were let go now. */
  | { readonly doing: 'typing'; readonly text: string; readonly drop?: (PlacedCaret & { readonly copy: boolean }) | undefined };

/** What the hand is in when it does that. */
export type Of<D extends Doing['doing']> = Extract<Doing, { readonly doing: D }>;

const CHOOSING: Doing = { doing: 'choosing' };

/** Holds what the hand is doing, for those parts of the desk that show it. */
export class Hand {
  #now = CHOOSING;
  readonly #listeners = new Set<() => void>();

  readonly now = (): Doing => this.#now;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  take(doing: Doing): void {
    if (doing === this.#now) return;
    this.#now = doing;
    for (const listener of this.#listeners) listener();
  }

  /** Ends what is being done, if it is one of these; whatever it is, when none is said. */
  rest(...of: readonly Doing['doing'][]): void {
    if (of.length === 0 || of.includes(this.#now.doing)) this.take(CHOOSING);
  }
}

/** The hand as the text that it holds knows it. */
export const textHolder = (hand: Hand): TextHolder => ({
  subscribe: hand.subscribe,
  isWriting: () => hand.now().doing === 'typing',
  take: (text) => hand.take({ doing: 'typing', text }),
  leave: () => hand.rest('typing'),
});

/**
 * A part of what the hand is doing. Only what shows that part is drawn again when it changes.
 *
 * @param choose gives the same thing as long as the part is the same
 */
export function useHand<T>(hand: Hand, choose: (doing: Doing) => T): T {
  const chosen = () => choose(hand.now());
  return useSyncExternalStore(hand.subscribe, chosen, chosen);
}

/** So many frames are moved as one drawing: where each lies under the hand is not worked out. */
export const MANY = 24;
export const isMany = (now: Of<'moving'>): boolean => now.by !== undefined && now.places.size > MANY;

/** A frame where it lies under the hand: moved, sized, turned or bent. Of many that are moved, where it lay. */
export function useInHand(hand: Hand, each: FrameInSight, pages: readonly PlacedPage[]): FrameInSight {
  const { frame } = each;
  // One question for each frame: there can be hundreds, and each is asked at every movement of the hand.
  const now = useHand(hand, (doing): Place | Of<'bending'> | Of<'turning'> | undefined => {
    if (doing.doing === 'moving') return isMany(doing) ? undefined : doing.places.get(frame.id);
    return (doing.doing === 'bending' || doing.doing === 'turning') && doing.frame === frame.id ? doing : undefined;
  });
  if (!now) return each;
  if ('on' in now) return inPlace(each, now, pages);
  return { ...each, frame: now.doing === 'turning' ? { ...frame, rotation: now.rotation } : { ...frame, ...now.look } };
}
