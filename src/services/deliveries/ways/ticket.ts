import { profileOf } from '@/core/print/profile';
import { paperWords } from '@/core/properties/print';
import { usesOf } from '@/core/actions/instead';
import { all, type Document, find, get } from '@/core/records/document';

/** What a print shop is told with a PDF: the job in figures. Lengths in millimetres. */
export interface JobTicket {
  readonly title: string;
  readonly publication: string;
  readonly number: string;
  /** The cover date, ISO 8601. */
  readonly date: string;
  readonly pages: number;
  readonly trim: { readonly width: number; readonly height: number };
  readonly bleed: number;
  readonly paper: string;
  /** The profile of the press, by its name. */
  readonly profile: string;
  /** Beside the four. */
  readonly spotInks: readonly string[];
  /** When it was asked for, ISO 8601. */
  readonly made: string;
}

const millimetres = (points: number): number => Math.round((points / 72) * 25.4 * 100) / 100;

/** The ticket of an issue. @param profile what the profile of the press calls itself */
export function ticketOf(document: Document, at: Date, profile: string): JobTicket {
  const issue = find(document, 'issue', 'issue');
  const { width, height, bleed } = get(document, 'format', 'format');
  return {
    title: [issue?.publication, issue?.number].filter(Boolean).join(' '),
    publication: issue?.publication ?? '',
    number: issue?.number ?? '',
    date: issue?.date ?? '',
    pages: all(document, 'page').length,
    trim: { width: millimetres(width), height: millimetres(height) },
    bleed: millimetres(bleed),
    paper: paperWords(profileOf(document).paper),
    profile,
    spotInks: all(document, 'swatch').flatMap(({ id, name, spot }) => (spot && usesOf(document, id) > 0 ? name : [])),
    made: at.toISOString(),
  };
}
