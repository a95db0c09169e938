import type { RecordBase } from './common';
import { type Kind, LINE, maybe, oneOf, ORDER, reference } from './kind';

/** A page of an issue, or a recurring page of a house. Its number follows from its place in the order. */
export interface PageRecord extends RecordBase<'page'> {
  readonly order: string;
  readonly master: string;
  /** Of a recurring page: what it is, "Contents". */
  readonly name?: string | undefined;
  /** Of a recurring page: whether every issue begins or ends with it; one that does neither is there to be put in. */
  readonly recurs?: 'front' | 'back' | undefined;
}

export const PAGE: Kind<PageRecord> = {
  called: 'page',
  fields: {
    order: ORDER,
    master: reference('master', 'holds'),
    name: maybe(LINE),
    recurs: maybe(oneOf('front', 'back')),
  },
};
