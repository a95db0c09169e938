import type { DocumentRecord, RecordKind } from '@/core/records/index';
import { referencesOf } from '@/core/records/references';
import { readDocument, readRecord, type StoredRecord } from '@/core/records/stored';
import { type Client, transaction } from './pool';

/** The table of what refers to what, by which PostgreSQL refuses what would point at nothing. */

interface Row {
  readonly record: string;
  readonly to: string;
  readonly kinds: readonly RecordKind[];
}

const rowsOf = (records: readonly DocumentRecord[]): Row[] =>
  records.flatMap((record) => {
    const byId = new Map<string, readonly RecordKind[]>();
    // One row for each thing; where several properties refer to it, it is of a kind that suits them all.
    for (const { id, to } of referencesOf(record)) byId.set(id, byId.get(id)?.filter((kind) => to.includes(kind)) ?? to);
    return [...byId].map(([to, kinds]) => ({ record: record.id, to, kinds }));
  });

/** A reference of which the other end is not there. */
export interface Missing {
  readonly record: DocumentRecord;
  readonly to: string;
}

/**
 * Writes down what records refer to, as they now are, in the place of what they did.
 *
 * @param before the same records as they were: what pointed at nothing then already is left, and not written down
 * @returns what points at nothing and did not before; it is not written down either
 */
export async function putReferences(
  client: Client,
  document: string,
  records: readonly DocumentRecord[],
  before: (id: string) => StoredRecord | undefined,
): Promise<readonly Missing[]> {
  if (records.length === 0) return [];
  const rows = rowsOf(records);
  const columns = [
    document,
    rows.map(({ record }) => record),
    rows.map(({ to }) => to),
    rows.map(({ kinds }) => kinds.join(' ')),
  ];
  await client.query(
    `delete from reference where document_id = $1 and record_id = any($2)
        and not exists (select 1 from unnest($3::text[], $4::text[]) as own (record_id, to_id)
                         where own.record_id = reference.record_id and own.to_id = reference.to_id)`,
    [document, records.map(({ id }) => id), columns[1], columns[2]],
  );
  if (rows.length === 0) return [];
  const { rows: loose } = await client.query<{ record: string; to: string }>(
    `with own as (select * from unnest($2::text[], $3::text[], $4::text[]) as own (record_id, to_id, kinds)),
          found as (select own.record_id, own.to_id, r.kind from own left join record r
                       on r.document_id = $1 and r.id = own.to_id and r.kind = any(string_to_array(own.kinds, ' '))),
          kept as (insert into reference (document_id, record_id, to_id, to_kind)
                   select $1, record_id, to_id, kind from found where kind is not null
                   on conflict (document_id, record_id, to_id) do update set to_kind = excluded.to_kind
                    where reference.to_kind <> excluded.to_kind)
     select record_id as record, to_id as to from found where kind is null`,
    columns,
  );
  const byId = new Map(records.map((record) => [record.id, record]));
  const missing: Missing[] = [];
  for (const { record, to } of loose) {
    const was = before(record);
    const known = was !== undefined && referencesOf(readRecord(was)).some(({ id }) => id === to);
    if (!known) missing.push({ record: byId.get(record)!, to });
  }
  return missing;
}

/** Records that refer to any of some that were removed. */
export async function referringTo(client: Client, document: string, removed: readonly string[]): Promise<StoredRecord[]> {
  if (removed.length === 0) return [];
  const { rows } = await client.query<{ body: StoredRecord }>(
    `select r.body from record r where r.document_id = $1
        and r.id in (select record_id from reference where document_id = $1 and to_id = any($2))`,
    [document, removed],
  );
  return rows.map(({ body }) => body);
}

/** Writes down the references of documents that were stored before there was a table of them. */
export async function referAll(): Promise<void> {
  await transaction(async (client) => {
    const { rows } = await client.query<{ id: string }>('select id from document where not referred for update');
    for (const { id } of rows) {
      const records = await client.query<{ body: StoredRecord }>('select body from record where document_id = $1', [id]);
      const document = readDocument(records.rows.map(({ body }) => body));
      // What points at nothing already stays as it is: the document opens, and whoever changes it mends it.
      await putReferences(client, id, [...document.records.values()], () => undefined);
      await client.query('update document set referred = true where id = $1', [id]);
    }
  });
}
