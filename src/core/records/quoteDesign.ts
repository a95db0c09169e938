import type { RecordBase } from './common';
import { type Kind, LINE, maybe, oneOf, ORDER, reference, whole } from './kind';

/** Where a pull quote stands: in columns of its story, over the gutter between two, or on a picture. */
export const STANDS = ['column', 'between', 'picture'] as const;
export type Stand = (typeof STANDS)[number];

/** What pull quotes look like, by name, and where they usually stand. */
export interface QuoteDesignRecord extends RecordBase<'quoteDesign'> {
  readonly name: string;
  readonly order: string;
  /** The paragraph style of its words. */
  readonly style: string;
  readonly finish?: string | undefined;
  readonly stand: Stand;
  /** In columns: how many of them it runs across. */
  readonly across: number;
}

export const QUOTE_DESIGN: Kind<QuoteDesignRecord> = {
  called: 'pull quote design',
  offered: 'Pull quote',
  fields: {
    name: LINE,
    order: ORDER,
    style: reference('paragraphStyle', 'holds'),
    finish: maybe(reference('finish', 'forgets')),
    stand: oneOf(...STANDS),
    across: whole(1, 8),
  },
};
