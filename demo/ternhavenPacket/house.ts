import { startingHouse } from '@/core/plan/startingHouse';
import type { DocumentRecord } from '@/core/records/index';
import type { ParagraphProperties } from '@/core/records/paragraphStyle';

/** The Ternhaven Packet: the town’s weekly newspaper, 280 × 400 mm on six columns. */
const style = (id: string, name: string, properties: Partial<ParagraphProperties>, basedOn?: string): DocumentRecord => ({
  id,
  kind: 'paragraphStyle',
  name,
  ...(basedOn ? { basedOn } : {}),
  properties,
});

/** What the Packet has beside the styles that a newspaper begins with. */
const STYLES: readonly DocumentRecord[] = [
  style('headlineLead', 'Headline, lead', { size: 44, leading: 45, weight: 900, tracking: -15 }, 'headline'),
  style('headlineSmall', 'Headline, small', { size: 19, leading: 21 }, 'headline'),
  style('bodyRagged', 'Body, ragged', { align: 'left', firstIndent: 0, spaceBefore: 5, onGrid: false }, 'body'),
  style('bodyRaggedFirst', 'Body, ragged, first', { spaceBefore: 0 }, 'bodyRagged'),
];

export const PACKET_HOUSE: readonly DocumentRecord[] = [...startingHouse('newspaper', 'en-GB'), ...STYLES].map((record) =>
  record.kind === 'details'
    ? {
        ...record,
        strapline: 'For town, harbour and hill',
        publisher: 'The Packet Office, Ternhaven',
        address: '3 Slip Street, Ternhaven',
        contact: 'Letters by Tuesday noon',
        price: 'Fourpence',
        staff: 'Editor: Constance Ferris. Harbour: Idris Vane. Council: Tam Oakes.',
      }
    : record,
);
