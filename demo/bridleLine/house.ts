import { startingHouse } from '@/core/plan/startingHouse';
import type { DocumentRecord } from '@/core/records/index';

/** The Bridle Line: the monthly newsletter of the Kitemakers’ Circle, A4 on three columns. */
export const BRIDLE_HOUSE: readonly DocumentRecord[] = startingHouse('newsletter', 'en-GB').map((record) =>
  record.kind === 'details'
    ? {
        ...record,
        strapline: 'Newsletter of the Kitemakers’ Circle',
        publisher: 'The Kitemakers’ Circle of Ternhaven',
        address: 'The Sail Loft, Ropewalk, Ternhaven',
        contact: 'Second Thursday of the month, seven o’clock',
        price: 'Free to members',
        staff: 'Edited by Piers Holt and Bryony Cole',
      }
    : record,
);
