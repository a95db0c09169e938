import { placedPages } from '../page/pages';
import { profileOf } from '../print/profile';
import { paperWords } from '../properties/print';
import { type Document, find } from '../records/document';
import type { Finding, Gravity } from './finding';

/** What was found in an issue, to be read by people who have only this. */
export interface CheckReport {
  readonly title: string;
  /** When it was made, ISO 8601. */
  readonly at: string;
  /** What it was checked against: “Coated paper”. */
  readonly limits: string;
  readonly findings: readonly ReportedFinding[];
}

export interface ReportedFinding extends Pick<Finding, 'title' | 'grave' | 'words' | 'effect' | 'accepted'> {
  /** The folio of its page; undefined where it is of the issue as a whole. */
  readonly folio: string | undefined;
}

export const GRAVITY_WORDS: Readonly<Record<Gravity, string>> = { grave: 'Grave', fault: 'Fault', detail: 'Detail' };

/** What was found in a document, as a report. @param at ISO 8601 */
export function reportOf(document: Document, findings: readonly Finding[], at: string): CheckReport {
  const { icc, paper } = profileOf(document);
  const folios = new Map(placedPages(document).map(({ page, folio }) => [page.id, folio]));
  const issue = find(document, 'issue', 'issue');
  return {
    title: `${issue?.publication ?? ''} ${issue?.number ?? ''}`.trim(),
    at,
    limits: icc ? `${paperWords(paper)}, ${icc.name}` : paperWords(paper),
    findings: findings.map(({ title, grave, words, effect, accepted, at: place }) => ({
      title,
      grave,
      words,
      effect,
      accepted,
      folio: folios.get(place.page ?? ''),
    })),
  };
}
