import type { RecordBase } from './common';
import { FACTS } from '../properties/publication';
import { type Kind, LANGUAGE, said } from './kind';

/** A fact of a publication that is said once and shown by fields anywhere. */
export type DetailName = keyof typeof FACTS;
export const DETAIL_NAMES = Object.keys(FACTS) as DetailName[];

/** What is known of a publication beside its design; its id is always `details`. */
export interface DetailsRecord extends RecordBase<'details'>, Readonly<Record<DetailName, string>> {
  /** BCP 47: the language its texts are in unless they say otherwise. */
  readonly language: string;
}

export const noDetails = (language: string): DetailsRecord => ({
  id: 'details',
  kind: 'details',
  language,
  strapline: '',
  publisher: '',
  address: '',
  contact: '',
  price: '',
  staff: '',
});

export const DETAILS: Kind<DetailsRecord> = {
  called: 'details of the publication',
  offered: 'Details',
  fields: {
    language: LANGUAGE,
    ...said(FACTS),
  },
};
