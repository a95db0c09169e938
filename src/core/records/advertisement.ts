import type { RecordBase } from './common';
import { type Kind, LINE, maybe, oneOf, ORDER, reference, whole } from './kind';

/** The usual sizes, as shares of the type area; `column` is so many columns wide and lines deep. */
export const ADVERTISEMENT_SIZES = ['full', 'halfUpright', 'halfFlat', 'quarter', 'column'] as const;
export type AdvertisementSize = (typeof ADVERTISEMENT_SIZES)[number];

/** An advertisement that is booked for the issue. */
export interface AdvertisementRecord extends RecordBase<'advertisement'> {
  readonly name: string;
  readonly order: string;
  readonly size: AdvertisementSize;
  /** Depth of `column`, in lines of the baseline grid. */
  readonly lines?: number | undefined;
  /** Width of `column`, in columns of the grid; one when not said. */
  readonly columns?: number | undefined;
  /** The picture it is printed from, once it has come. */
  readonly picture?: string | undefined;
}

export const ADVERTISEMENT: Kind<AdvertisementRecord> = {
  called: 'advertisement',
  fields: {
    name: LINE,
    order: ORDER,
    size: oneOf(...ADVERTISEMENT_SIZES),
    lines: maybe(whole(1, 400)),
    columns: maybe(whole(1, 24)),
    picture: maybe(reference('picture', 'forgets')),
  },
};
