import type { RecordBase } from './common';

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
