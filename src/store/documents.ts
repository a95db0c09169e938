import type { QueryResultRow } from 'pg';
import { Node } from 'prosemirror-model';
import type { DocumentRecord, RecordKind } from '@/core/records/index';
import type { Change, Heading } from '@/core/records/change';
import { bodyOf, checkBody, stepped, stepsOf } from '@/core/records/body';
import { merged } from '@/core/records/merge';
import { same } from '@/core/records/same';
import {
  properties,
  readRecord,
  type Storable,
  type StoredDiff,
  type StoredProperties,
  type StoredRecord,
  type StoredText,
} from '@/core/records/stored';
import { pool, transaction, type Client } from './pool';
import { type Missing, putReferences, referringTo } from './references';

export type NewChange = Omit<Change, 'seq' | 'at' | 'of'> & {
  readonly of?: number | undefined;
  /** The number of the last change that its author had when it was made: what steps on texts are based on. */
  readonly base: number;
};

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

/** Thrown when steps on a text are based on a version before others changed it: to be rebased and sent again. */
export class StaleError extends Error {
  override name = 'StaleError';
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

const HEADING = `seq::int, id, author, label, kind, of::int, to_char(at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as at`;
const CHANGE = `${HEADING}, diff`;

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

/** A document's records in the order in which they came, with the number of the last change that they hold. @throws NoSuchDocumentError */
export async function loadRecords(id: string): Promise<{ seq: number; records: StoredRecord[] }> {
  const { seq, rows } = await snapshot<{ body: StoredRecord }>(id, 'body');
  return { seq, records: rows.map(({ body }) => body) };
}

/** The same with the numbers of the changes that last put records in; none for those it began with. */
export async function loadVersions(
  id: string,
): Promise<{ seq: number; records: StoredRecord[]; versions: Record<string, number> }> {
  const { seq, rows } = await snapshot<{ body: StoredRecord; version: number }>(id, 'body, version::int');
  const changed = rows.filter(({ version }) => version > 0);
  return {
    seq,
    records: rows.map(({ body }) => body),
    versions: Object.fromEntries(changed.map(({ body, version }) => [body.id, version])),
  };
}

/** Columns of a document's records, and the change that they hold, as of one moment. */
function snapshot<Row extends QueryResultRow>(id: string, columns: string): Promise<{ seq: number; rows: Row[] }> {
  return transaction(async (client) => {
    await client.query('set transaction isolation level repeatable read, read only');
    const head = await client.query<{ seq: number }>('select seq::int from document where id = $1', [id]);
    if (!head.rows[0]) throw new NoSuchDocumentError('There is no such issue.');
    const { rows } = await client.query<Row>(`select ${columns} from record where document_id = $1 order by place`, [id]);
    return { seq: head.rows[0].seq, rows };
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

/** A document's records of some kinds, in the order in which they came. */
export async function recordsOf(
  id: string,
  kinds: readonly RecordKind[],
  on: Pick<Client, 'query'> = pool(),
): Promise<StoredRecord[]> {
  const { rows } = await on.query<{ body: StoredRecord }>(
    'select body from record where document_id = $1 and kind = any($2) order by place',
    [id, kinds],
  );
  return rows.map(({ body }) => body);
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

/** The last change that was made before the day began, by number; 0 where there was none. */
export async function lastChangeBeforeToday(id: string): Promise<number> {
  const { rows } = await pool().query<{ seq: number }>(
    "select coalesce(max(seq), 0)::int as seq from change where document_id = $1 and at < date_trunc('day', now())",
    [id],
  );
  return rows[0]!.seq;
}

/** What the last changes are called, the oldest first: what undo goes back through. */
export async function lastHeadings(id: string, limit: number): Promise<Heading[]> {
  const { rows } = await pool().query<Heading>(
    `select ${HEADING} from change where document_id = $1 order by seq desc limit $2`,
    [id, limit],
  );
  return rows.reverse();
}

/** A change by its number; undefined where there is none. */
export async function findChange(id: string, seq: number): Promise<Change | undefined> {
  const { rows } = await pool().query<Change>(`select ${CHANGE} from change where document_id = $1 and seq = $2`, [id, seq]);
  return rows[0];
}

/** Changes after one, up to another, that do steps on any of some texts. */
export async function changesOnTexts(id: string, texts: readonly string[], seq: number, upTo: number): Promise<Change[]> {
  if (texts.length === 0) return [];
  const { rows } = await pool().query<Change>(
    `select ${CHANGE} from change c where document_id = $1 and seq > $3 and seq <= $4
        and exists (select 1 from jsonb_array_elements(c.diff -> 'texts') as own where own ->> 'id' = any($2)) order by seq`,
    [id, texts, seq, upTo],
  );
  return rows;
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
  await client.query('insert into document (id, publication_id, kind, name, referred) values ($1, $2, $3, $4, true)', [
    id,
    publication,
    kind,
    name,
  ]);
  await putRecords(client, id, records, 0);
  const missing = await putReferences(client, id, records.map(inMemory), () => undefined);
  if (missing.length > 0) throw new InvalidChangeError(missingWords(missing));
}

/** Puts a document in that has been changed elsewhere: with the number of its last change, and of those that touched its records. */
export async function putChangedDocument(
  client: Client,
  document: NewDocument,
  { seq, records, versions }: { seq: number; records: readonly Storable[]; versions: Readonly<Record<string, number>> },
): Promise<void> {
  await putDocument(client, document, records);
  await client.query('update document set seq = $2 where id = $1', [document.id, seq]);
  await client.query(
    `update record r set version = new.version
       from unnest($2::text[], $3::bigint[]) as new (id, version) where r.document_id = $1 and r.id = new.id`,
    [document.id, Object.keys(versions), Object.values(versions)],
  );
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
 * @throws NoSuchDocumentError, ConflictError, StaleError, InvalidChangeError
 */
export async function putChange(client: Client, document: string, change: NewChange, judge?: Judging): Promise<Change> {
  const head = await client.query<{ seq: number }>('select seq::int from document where id = $1 for update', [document]);
  if (!head.rows[0]) throw new NoSuchDocumentError('There is no such issue.');
  const again = await client.query<Change & { same: boolean }>(
    `select ${CHANGE}, coalesce(sent, md5(diff::text)) = md5($3::jsonb::text) as same from change where document_id = $1 and id = $2`,
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

  const seq = head.rows[0].seq + 1;
  if (change.base >= seq) throw new InvalidChangeError('It builds on a change that the server does not have.');
  const now = await recordsNow(client, document, change.diff);
  const diff = fitted(now, change.diff);
  const { added, updated, removed } = diff;
  const bodies = steppedBodies(now, change);
  if (removed.length > 0)
    await client.query('delete from record where document_id = $1 and id = any($2)', [document, removed.map(({ id }) => id)]);
  await putProperties(
    client,
    document,
    updated.map(({ after }) => after),
    seq,
  );
  await putRecords(client, document, added, seq);
  await putBodies(client, document, bodies, seq);
  if (judge && judge.kinds.length > 0) {
    const why = judge.of(await recordsOf(document, judge.kinds, client));
    if (why !== undefined) throw new InvalidChangeError(why);
  }
  await refer(client, document, diff, bodies, now);
  const { rows } = await client.query<Change>(
    `insert into change (document_id, seq, id, author, label, kind, of, diff, sent)
     values ($1, $2, $3, $4, $5, $6, $7, $8, md5($9::jsonb::text)) returning ${CHANGE}`,
    [
      document,
      seq,
      change.id,
      change.author,
      change.label,
      change.kind,
      change.of ?? null,
      JSON.stringify(diff),
      JSON.stringify(change.diff),
    ],
  );
  await client.query('update document set seq = $2 where id = $1', [document, seq]);
  await client.query("select pg_notify('document_changes', $1)", [JSON.stringify({ document, seq })]);
  return rows[0]!;
}

/** The records that a change touches, as they were before it. */
type RecordsNow = ReadonlyMap<string, { readonly body: StoredRecord; readonly version: number }>;

async function recordsNow(client: Client, document: string, diff: StoredDiff): Promise<RecordsNow> {
  const ids = [...diff.updated.map(({ before }) => before), ...diff.removed, ...diff.added, ...diff.texts].map(({ id }) => id);
  const { rows } = await client.query<{ body: StoredRecord; version: number }>(
    'select body, version::int from record where document_id = $1 and id = any($2)',
    [document, ids],
  );
  return new Map(rows.map((row) => [row.body.id, row]));
}

/**
 * Writes down what the records of a change refer to now.
 * @throws ConflictError where something would point at nothing: others removed it, or use what this removes
 */
async function refer(
  client: Client,
  document: string,
  { added, updated, removed, texts }: StoredDiff,
  bodies: readonly SteppedBody[],
  now: RecordsNow,
): Promise<void> {
  const bodyById = new Map(bodies.map(({ id, body }) => [id, body]));
  const sayings = new Map(updated.map(({ after }) => [after.id, after]));
  const changed = [...new Set([...sayings.keys(), ...texts.map(({ id }) => id)])].map((id): DocumentRecord => {
    const own = sayings.get(id) ?? now.get(id)!.body;
    if (own.kind !== 'text') return own;
    const body = bodyById.get(id);
    return body ? { ...own, body } : readRecord({ ...own, body: (now.get(id)!.body as StoredText).body });
  });
  const missing = await putReferences(client, document, [...added.map(readRecord), ...changed], (id) => now.get(id)?.body);
  if (missing.length > 0) throw new ConflictError(missingWords(missing), []);
  const users = await referringTo(
    client,
    document,
    removed.map(({ id }) => id),
  );
  if (users.length > 0) throw new ConflictError('Somebody else now uses what this removes, so it was not saved.', users);
}

const missingWords = ([first]: readonly Missing[]): string => {
  const { record } = first!;
  const what = 'name' in record && record.name ? `“${record.name}” refers` : 'It refers';
  return `${what} to something that is not there, or has been removed in the meantime, so it was not saved.`;
};

/** A record in memory, whichever form it came in. */
const inMemory = (record: Storable): DocumentRecord =>
  record.kind === 'text' && !(record.body instanceof Node) ? readRecord(record as StoredRecord) : (record as DocumentRecord);

/**
 * A diff as it can be done to a document as it now is: where others changed other properties of the same record, theirs
 * and its own together.
 *
 * @throws ConflictError where both changed the same property, or what is added is there, or what is removed is not as it was
 */
function fitted(now: RecordsNow, diff: StoredDiff): StoredDiff {
  const theirs: StoredRecord[] = [];
  let gone = false;
  const updated = diff.updated.map((pair) => {
    const current = now.get(pair.before.id)?.body;
    if (!current) {
      gone = true;
      return pair;
    }
    const before = properties(current);
    if (same(before, pair.before)) return pair;
    const { record, clashes } = merged(pair.before, pair.after, before);
    if (clashes.length > 0) theirs.push(current);
    return { before, after: record };
  });
  for (const record of diff.removed) {
    const current = now.get(record.id)?.body;
    if (!current) gone = true;
    // Of two texts what they say counts, and not in which form it was stored.
    else if (!same(readRecord(current), readRecord(record))) theirs.push(current);
  }
  for (const { id } of diff.added) if (now.has(id)) theirs.push(now.get(id)!.body);
  if (gone) throw new ConflictError('What this changes has been removed in the meantime, so it was not saved.', theirs);
  if (theirs.length > 0)
    throw new ConflictError('Somebody else changed the same thing in the meantime, so this was not saved.', theirs);
  return { ...diff, updated };
}

/** The body of a text with steps done to it. */
interface SteppedBody {
  readonly id: string;
  readonly body: Node;
}

/** Puts records in their new state, the bodies of texts as they are. */
async function putProperties(
  client: Client,
  document: string,
  records: readonly StoredProperties[],
  version: number,
): Promise<void> {
  if (records.length === 0) return;
  await client.query(
    `update record r set version = $3,
            body = case when r.kind = 'text' then new.body || jsonb_build_object('body', r.body -> 'body') else new.body end
       from unnest($2::jsonb[]) as new (body) where r.document_id = $1 and r.id = new.body ->> 'id'`,
    [document, records.map((record) => JSON.stringify(record)), version],
  );
}

/**
 * The bodies of texts with the steps of a change done to them.
 *
 * @throws StaleError where others changed a text since the steps' base, ConflictError where it is gone,
 *   InvalidChangeError where the steps do not fit or break the schema
 */
function steppedBodies(now: RecordsNow, { base, diff: { texts } }: NewChange): SteppedBody[] {
  return texts.map(({ id, steps }) => {
    const text = now.get(id);
    if (text?.body.kind !== 'text')
      throw new ConflictError('The text has been removed in the meantime, so this was not saved.', []);
    if (text.version > base) throw new StaleError('Somebody else changed the text in the meantime.');
    try {
      const body = stepped(bodyOf(text.body.body), stepsOf(steps));
      checkBody(body);
      return { id, body };
    } catch (error) {
      throw new InvalidChangeError(`The text would not be well formed: ${(error as Error).message}.`);
    }
  });
}

async function putBodies(client: Client, document: string, bodies: readonly SteppedBody[], version: number): Promise<void> {
  if (bodies.length === 0) return;
  await client.query(
    `update record r set version = $3, body = jsonb_set(r.body, '{body}', new.step -> 'body')
       from unnest($2::jsonb[]) as new (step) where r.document_id = $1 and r.id = new.step ->> 'id'`,
    [document, bodies.map((each) => JSON.stringify(each)), version],
  );
}

async function putRecords(client: Client, document: string, records: readonly Storable[], version: number): Promise<void> {
  if (records.length === 0) return;
  await client.query(
    `insert into record (document_id, id, kind, body, version)
     select $1, body ->> 'id', body ->> 'kind', body, $3 from unnest($2::jsonb[]) with ordinality as new (body, nth) order by nth
     on conflict (document_id, id) do update set kind = excluded.kind, body = excluded.body, version = excluded.version`,
    [document, records.map((record) => JSON.stringify(record)), version],
  );
}
