import type { RecordBase } from './common';

/** Facts of a publication that are said once and shown by fields anywhere. */
export const DETAIL_NAMES = ['strapline', 'publisher', 'address', 'contact', 'price', 'staff'] as const;
export type DetailName = (typeof DETAIL_NAMES)[number];

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
