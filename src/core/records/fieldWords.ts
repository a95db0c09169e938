import { FACTS } from '../properties/publication';
import type { FieldName } from './text';

/** What fields are called. */
export const FIELD_WORDS: Readonly<Record<FieldName, string>> = {
  folio: 'Folio',
  nextFolio: 'Continued on page',
  previousFolio: 'Continued from page',
  publication: 'Publication',
  number: 'Issue number',
  season: 'Issue name',
  date: 'Cover date',
  section: 'Section',
  story: 'Story',
  standfirst: 'Standfirst',
  strapline: FACTS.strapline.label,
  publisher: FACTS.publisher.label,
  address: FACTS.address.label,
  contact: FACTS.contact.label,
  price: FACTS.price.label,
  staff: FACTS.staff.label,
};
