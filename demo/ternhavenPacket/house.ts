import { startingHouse } from '@/core/plan/startingHouse';
import type { DocumentRecord } from '@/core/records/index';
import type { ParagraphProperties } from '@/core/records/paragraphStyle';

/** The Ternhaven Packet: the town’s weekly newspaper, 280 × 400 mm on six columns. */
const SANS = 'Archivo';
const still = { hyphens: false, align: 'left', firstIndent: 0, onGrid: false } as const;

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
  style('kicker', 'Kicker', { ...still, family: SANS, weight: 700, size: 7.5, leading: 10, tracking: 60, swatch: 'accent1' }),
  style('tableText', 'Table', { ...still, family: SANS, size: 7.2, leading: 9.5 }),
  style('tableFigure', 'Table, figures', { align: 'right', figureWidth: 'tabular', figures: 'lining' }, 'tableText'),
  style('tableHead', 'Table, head', { weight: 700, swatch: 'accent1' }, 'tableText'),
  style('tableHeadFigure', 'Table, head of figures', { align: 'right' }, 'tableHead'),
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
