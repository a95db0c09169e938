import type { FieldName } from '@/core/records/text';

/** What fields are called. */
export const FIELD_WORDS: Readonly<Record<FieldName, string>> = {
  folio: 'Folio',
  nextFolio: 'Page the story goes on on',
  previousFolio: 'Page the story comes from',
  publication: 'Publication',
  number: 'Number of the issue',
  season: 'Name of the issue',
  date: 'Cover date',
  section: 'Section',
  story: 'Story',
  standfirst: 'Standfirst',
  strapline: 'Strapline',
  publisher: 'Publisher',
  address: 'Address',
  contact: 'Contact',
  price: 'Price',
  staff: 'Staff',
};
