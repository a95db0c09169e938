import type { RecordBase } from './common';
import { type Kind, LINE, list, maybe, oneOf, ORDER, parts, POINTS, reference, YES_OR_NO } from './kind';

/** A line that somebody drew on a page to lay things along. */
export interface PageGuide {
  readonly direction: 'upright' | 'level';
  /** Points from the trim's left edge, of an upright one; from its top, of a level one. */
  readonly at: number;
  /** A level one that runs over the page beside it too. */
  readonly spread?: boolean | undefined;
}

export const MOST_GUIDES = 100;

/** A page of an issue, or a recurring page of a house. Its number follows from its place in the order. */
export interface PageRecord extends RecordBase<'page'> {
  readonly order: string;
  readonly master: string;
  /** Of a recurring page: what it is, "Contents". */
  readonly name?: string | undefined;
  /** Of a recurring page: whether every issue begins or ends with it; one that does neither is there to be put in. */
  readonly recurs?: 'front' | 'back' | undefined;
  readonly guides?: readonly PageGuide[] | undefined;
}

export const PAGE: Kind<PageRecord> = {
  called: 'page',
  fields: {
    order: ORDER,
    master: reference('master', 'holds'),
    name: maybe(LINE),
    recurs: maybe(oneOf('front', 'back')),
    guides: maybe(list(parts({ direction: oneOf('upright', 'level'), at: POINTS, spread: maybe(YES_OR_NO) }), MOST_GUIDES)),
  },
};
