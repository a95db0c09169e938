import type { RecordBase } from './common';
import { FACTS } from '../properties/publication';
import { type Unit, UNITS } from '../length/length';
import { type Kind, LANGUAGE, maybe, oneOf, said } from './kind';

/** A fact of a publication that is said once and shown by fields anywhere. */
export type DetailName = keyof typeof FACTS;
export const DETAIL_NAMES = Object.keys(FACTS) as DetailName[];

/** What is known of a publication beside its design; its id is always `details`. */
export interface DetailsRecord extends RecordBase<'details'>, Readonly<Record<DetailName, string>> {
  /** BCP 47: the language its texts are in unless they say otherwise. */
  readonly language: string;
  /** In which lengths on its pages are read and typed; millimetres when not said. */
  readonly unit?: Unit | undefined;
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
    unit: maybe(oneOf(...UNITS)),
    ...said(FACTS),
  },
};
