import type { RecordKind } from '@/core/records/index';
import type { Change } from '@/core/records/change';
import type { Storable, StoredDiff, StoredRecord } from '@/core/records/stored';
import { pool, transaction, type Client } from './pool';

export type NewChange = Omit<Change, 'seq' | 'at' | 'of'> & { readonly of?: number | undefined };

export interface DocumentHead {
  readonly id: string;
  readonly publication: string;
  readonly publicationName: string;
  readonly kind: 'house' | 'issue';
  readonly name: string;
  readonly seq: number;
}

/** Thrown when a document is not there. */
export class NoSuchDocumentError extends Error {
  override name = 'NoSuchDocumentError';
}

/** Thrown when a change was made to records as they no longer are; `theirs` are those records as they are now. */
export class ConflictError extends Error {
  override name = 'ConflictError';
  readonly theirs: readonly StoredRecord[];

  constructor(message: string, theirs: readonly StoredRecord[]) {
    super(message);
    this.theirs = theirs;
  }
}

/** Thrown when a change cannot be one, whoever made it; the message says why. */
export class InvalidChangeError extends Error {
  override name = 'InvalidChangeError';
}

/** Says why records may not be so together, in a sentence; undefined where they may. */
export type Judge = (records: readonly StoredRecord[]) => string | undefined;

/** A judge, and the kinds of records that are put before it. */
export interface Judging {
  readonly kinds: readonly RecordKind[];
  readonly of: Judge;
}

const CHANGE = `seq::int, id, author, label, kind, of::int, diff, to_char(at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as at`;

/** @throws NoSuchDocumentError */
export async function documentHead(id: string): Promise<DocumentHead> {
  const { rows } = await pool().query<DocumentHead>(
    `select d.id, d.publication_id as publication, p.name as "publicationName", d.kind, d.name, d.seq::int
       from document d join publication p on p.id = d.publication_id where d.id = $1`,
    [id],
  );
  if (!rows[0]) throw new NoSuchDocumentError('There is no such issue.');
  return rows[0];
}

/** A document's records, with the number of the last change that they hold. @throws NoSuchDocumentError */
export async function loadRecords(id: string): Promise<{ seq: number; records: StoredRecord[] }> {
  return transaction(async (client) => {
    await client.query('set transaction isolation level repeatable read, read only');
    const head = await client.query<{ seq: number }>('select seq::int from document where id = $1', [id]);
    if (!head.rows[0]) throw new NoSuchDocumentError('There is no such issue.');
    const { rows } = await client.query<{ body: StoredRecord }>('select body from record where document_id = $1', [id]);
    return { seq: head.rows[0].seq, records: rows.map((row) => row.body) };
  });
}

/** How many records of a kind a document has. */
export async function countRecords(id: string, kind: RecordKind): Promise<number> {
  const { rows } = await pool().query<{ n: number }>(
    'select count(*)::int as n from record where document_id = $1 and kind = $2',
    [id, kind],
  );
  return rows[0]!.n;
}

/** Records of some kinds that were put in after a change, with the number of the change that last put them in. */
export async function recordsSince(
  id: string,
  seq: number,
  kinds: readonly RecordKind[],
): Promise<{ record: StoredRecord; version: number }[]> {
  const { rows } = await pool().query<{ record: StoredRecord; version: number }>(
    'select body as record, version::int from record where document_id = $1 and version > $2 and kind = any($3) order by version, id',
    [id, seq, kinds],
  );
  return rows;
}

/** Records that were there and were removed after a change, with the number of the last change that did. */
export async function removedSince(id: string, seq: number): Promise<{ id: string; kind: RecordKind; seq: number }[]> {
  const { rows } = await pool().query<{ id: string; kind: RecordKind; seq: number }>(
    `select removed ->> 'id' as id, removed ->> 'kind' as kind, max(c.seq)::int as seq
       from change c, jsonb_array_elements(c.diff -> 'removed') as removed
      where c.document_id = $1 and c.seq > $2
        and not exists (select 1 from record r where r.document_id = $1 and r.id = removed ->> 'id')
      group by 1, 2 order by 3`,
    [id, seq],
  );
  return rows;
}

/** Changes after `seq`, the oldest first. */
export async function changesAfter(id: string, seq: number, limit = 500): Promise<Change[]> {
  const { rows } = await pool().query<Change>(
    `select ${CHANGE} from change where document_id = $1 and seq > $2 order by seq limit $3`,
    [id, seq, limit],
  );
  return rows;
}

/** The last changes, the oldest first: what undo goes back through. */
export async function lastChanges(id: string, limit: number): Promise<Change[]> {
  const { rows } = await pool().query<Change>(`select ${CHANGE} from change where document_id = $1 order by seq desc limit $2`, [
    id,
    limit,
  ]);
  return rows.reverse();
}

export interface NewDocument {
  readonly id: string;
  readonly publication: string;
  readonly kind: 'house' | 'issue';
  readonly name: string;
}

export const insertDocument = (document: NewDocument, records: readonly Storable[]): Promise<void> =>
  transaction((client) => putDocument(client, document, records));

/** Puts a new document in, as part of a transaction. */
export async function putDocument(client: Client, document: NewDocument, records: readonly Storable[]): Promise<void> {
  const { id, publication, kind, name } = document;
  await client.query('insert into document (id, publication_id, kind, name) values ($1, $2, $3, $4)', [
    id,
    publication,
    kind,
    name,
  ]);
  await putRecords(client, id, records, 0);
}

/** Stores a change in a transaction of its own. @throws NoSuchDocumentError, ConflictError, InvalidChangeError */
export const storeChange = (document: string, change: NewChange, judge?: Judging): Promise<Change> =>
  transaction((client) => putChange(client, document, change, judge));

/**
 * Stores a change, as part of a transaction: checks that every record it changes or removes is still as its author saw
 * it, puts the records in their new state and appends the change. A change that is stored already is not stored again;
 * its number is given back.
 *
 * @param judge of the records of those kinds that the change touches and must hold together, as they would be
 * @throws NoSuchDocumentError, ConflictError, InvalidChangeError
 */
export async function putChange(client: Client, document: string, change: NewChange, judge?: Judging): Promise<Change> {
  const head = await client.query<{ seq: number }>('select seq::int from document where id = $1 for update', [document]);
  if (!head.rows[0]) throw new NoSuchDocumentError('There is no such issue.');
  const again = await client.query<Change & { same: boolean }>(
    `select ${CHANGE}, diff = $3::jsonb as same from change where document_id = $1 and id = $2`,
    [document, change.id, JSON.stringify(change.diff)],
  );
  if (again.rows[0]) {
    const { same, ...stored } = again.rows[0];
    if (!same) throw new InvalidChangeError('Another change with this id is stored already.');
    return stored;
  }
  if (change.of !== undefined) {
    const { rowCount } = await client.query('select 1 from change where document_id = $1 and seq = $2', [document, change.of]);
    if (rowCount === 0) throw new InvalidChangeError('The change that this takes back is not there.');
  }

  await checkBase(client, document, change.diff);
  const seq = head.rows[0].seq + 1;
  const { added, updated, removed } = change.diff;
  if (removed.length > 0)
    await client.query('delete from record where document_id = $1 and id = any($2)', [document, removed.map(({ id }) => id)]);
  await putRecords(client, document, [...updated.map(({ after }) => after), ...added], seq);
  if (judge && judge.kinds.length > 0) {
    const { rows } = await client.query<{ body: StoredRecord }>(
      'select body from record where document_id = $1 and kind = any($2)',
      [document, judge.kinds],
    );
    const why = judge.of(rows.map(({ body }) => body));
    if (why !== undefined) throw new InvalidChangeError(why);
  }
  const { rows } = await client.query<Change>(
    `insert into change (document_id, seq, id, author, label, kind, of, diff) values ($1, $2, $3, $4, $5, $6, $7, $8) returning ${CHANGE}`,
    [document, seq, change.id, change.author, change.label, change.kind, change.of ?? null, JSON.stringify(change.diff)],
  );
  await client.query('update document set seq = $2 where id = $1', [document, seq]);
  await client.query('select pg_notify($1, $2)', [CHANGES_CHANNEL, JSON.stringify({ document, seq })]);
  return rows[0]!;
}

/** The channel that every server hears of changes on. */
export const CHANGES_CHANNEL = 'document_changes';

async function checkBase(client: Client, document: string, diff: StoredDiff): Promise<void> {
  const before = [...diff.updated.map((pair) => pair.before), ...diff.removed];
  const ids = [...before.map(({ id }) => id), ...diff.added.map(({ id }) => id)];
  if (ids.length === 0) return;
  // PostgreSQL itself compares the records: as jsonb, so that the order of keys plays no part.
  const { rows } = await client.query<{ id: string; body: StoredRecord; same: boolean | null }>(
    `select r.id, r.body, r.body = b.body as same
       from record r left join unnest($2::text[], $3::jsonb[]) as b (id, body) on b.id = r.id
      where r.document_id = $1 and r.id = any($4)`,
    [document, before.map(({ id }) => id), before.map((record) => JSON.stringify(record)), ids],
  );
  const now = new Map(rows.map((row) => [row.id, row]));
  const theirs = [
    ...before.filter(({ id }) => now.get(id)?.same !== true).flatMap(({ id }) => now.get(id)?.body ?? []),
    ...diff.added.flatMap(({ id }) => now.get(id)?.body ?? []),
  ];
  const gone = before.filter(({ id }) => !now.has(id));
  if (theirs.length > 0 || gone.length > 0) {
    throw new ConflictError(
      gone.length > 0
        ? 'What this changes has been removed in the meantime, so it was not stored.'
        : 'Somebody else changed the same thing in the meantime, so this was not stored.',
      theirs,
    );
  }
}

async function putRecords(client: Client, document: string, records: readonly Storable[], version: number): Promise<void> {
  if (records.length === 0) return;
  await client.query(
    `insert into record (document_id, id, kind, body, version)
     select $1, body ->> 'id', body ->> 'kind', body, $3 from unnest($2::jsonb[]) as body
     on conflict (document_id, id) do update set kind = excluded.kind, body = excluded.body, version = excluded.version`,
    [document, records.map((record) => JSON.stringify(record)), version],
  );
}
