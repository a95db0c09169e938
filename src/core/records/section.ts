import type { RecordBase } from './common';
import { type Kind, LINE, maybe, oneOf, parts, reference, whole, words } from './kind';

/** How a section's folios are written: 1, i, I, a or A. */
export const FOLIO_STYLES = ['1', 'i', 'I', 'a', 'A'] as const;
export type FolioStyle = (typeof FOLIO_STYLES)[number];

/** Folios that begin anew: "A1" is the prefix A and the figures from 1. */
export interface Folios {
  readonly style: FolioStyle;
  readonly prefix: string;
  readonly start: number;
}

/** A section of an issue, from a page up to where the next begins. A department is one whose folios go on. */
export interface SectionRecord extends RecordBase<'section'> {
  readonly name: string;
  /** The page it begins on. */
  readonly from: string;
  readonly folios?: Folios | undefined;
}

export const SECTION: Kind<SectionRecord> = {
  called: 'section',
  fields: {
    name: LINE,
    from: reference('page', 'goes'),
    folios: maybe(parts({ style: oneOf(...FOLIO_STYLES), prefix: words(8), start: whole(1, 9999) })),
  },
};
