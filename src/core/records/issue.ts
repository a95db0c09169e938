import type { RecordBase } from './common';
import { DAY, type Kind, LANGUAGE, LINE, maybe, parts, whole } from './kind';

/** The one record of an issue that says which issue it is; its id is always `issue`. */
export interface IssueRecord extends RecordBase<'issue'> {
  readonly publication: string;
  readonly number: string;
  /** As printed, "Winter" or "6 March". */
  readonly season: string;
  /** Cover date, ISO 8601 `YYYY-MM-DD`. */
  readonly date: string;
  /** BCP 47, the language its texts are in unless they say otherwise. */
  readonly language: string;
  /** The state of its house it was last brought up to, by number of change; and for records settled since, theirs. */
  readonly house?: { readonly seq: number; readonly settled: Readonly<Record<string, number>> } | undefined;
}

const CHANGE = whole(0, Number.MAX_SAFE_INTEGER);

export const ISSUE: Kind<IssueRecord> = {
  called: 'issue',
  fields: {
    publication: LINE,
    number: LINE,
    season: LINE,
    date: DAY,
    language: LANGUAGE,
    house: maybe(parts({ seq: CHANGE, settled: { is: 'map', of: CHANGE } })),
  },
};
