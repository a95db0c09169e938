import { nanoid } from 'nanoid';
import { MOST_PAGES } from '@/core/actions/pages';
import { isDay } from '@/core/records/day';
import { readRecord } from '@/core/records/stored';
import { startIssue } from '@/core/plan/startIssue';
import { documentHead, loadRecords, NoSuchDocumentError, putDocument } from '@/store/documents';
import { findPublication, listHouses, withNumber } from '@/store/publications';
import { FieldError } from '../errors';

export interface IssueOrder {
  readonly number: string;
  readonly season: string;
  readonly date: string;
  readonly pages: number;
  /** An issue whose pages it takes, its articles replaced by slots; the house’s recurring pages when not said. */
  readonly from?: string | undefined;
}

/** What an issue is called: "No. 14, Winter". */
export const issueName = (number: string, season: string): string => `No. ${number}${season && `, ${season}`}`;

/** Starts an issue of a publication from its house as it now is; gives its id. @throws FieldError, NoSuchDocumentError */
export async function newIssue(
  publication: string,
  { number, season, date, pages, from }: IssueOrder,
): Promise<{ issue: string }> {
  const own = await findPublication(publication);
  const house = (await listHouses()).get(publication);
  if (!own || !house) throw new NoSuchDocumentError('There is no such publication.');
  const numbered = number.trim();
  if (numbered === '') throw new FieldError('number', 'An issue needs a number, or a name instead.');
  if (!isDay(date)) throw new FieldError('date', 'That date does not exist.');
  if (!Number.isInteger(pages) || pages < 1 || pages > MOST_PAGES)
    throw new FieldError('pages', `An issue has 1 to ${MOST_PAGES} pages.`);
  const { seq, records } = await loadRecords(house);
  if (from !== undefined && (await documentHead(from)).publication !== publication)
    throw new NoSuchDocumentError(`That is no issue of ${own.name}.`);
  const last = from === undefined ? undefined : await loadRecords(from);
  const details = records.find((record) => record.kind === 'details');
  const id = nanoid(12);
  const name = issueName(numbered, season.trim());
  const made = startIssue(
    records.map(readRecord),
    {
      publication: own.name,
      number: numbered,
      season: season.trim(),
      date,
      language: details?.language ?? 'en-GB',
      pages,
      houseSeq: seq,
    },
    last?.records.map(readRecord),
  );
  const isNew = await withNumber(publication, numbered, id, (client) =>
    putDocument(client, { id, publication, kind: 'issue', name }, made),
  );
  if (!isNew) throw new FieldError('number', `There is a No. ${numbered} of ${own.name} already.`);
  return { issue: id };
}
