import { pool, transaction } from './pool';

/** A news wire that a publication subscribes to. */
export interface StoredWire {
  readonly id: string;
  readonly name: string;
  readonly address: string;
  /** When it was last asked, and why it did not answer; empty where it did. */
  readonly askedAt: Date | null;
  readonly trouble: string;
}

/** Something that a wire has sent, as whoever reads it understands it. */
export interface StoredNews {
  readonly uri: string;
  /** ISO 8601; when it arrived, where the wire does not say. */
  readonly at: string;
}

/** What is kept of a wire: as many of its newest. */
const KEPT = 500;

const COLUMNS = 'id, name, address, asked_at as "askedAt", trouble';

export async function wiresOf(publication: string): Promise<StoredWire[]> {
  const { rows } = await pool().query<StoredWire>(`select ${COLUMNS} from wire where publication_id = $1 order by name, id`, [
    publication,
  ]);
  return rows;
}

/** A wire of a publication, or nothing. */
export async function wireOf(publication: string, id: string): Promise<StoredWire | undefined> {
  const { rows } = await pool().query<StoredWire>(`select ${COLUMNS} from wire where publication_id = $1 and id::text = $2`, [
    publication,
    id,
  ]);
  return rows[0];
}

/** Adds a wire; one at the same address gets the name. Gives its id. */
export async function putWire(id: string, publication: string, name: string, address: string): Promise<string> {
  const { rows } = await pool().query<{ id: string }>(
    `insert into wire (id, publication_id, name, address) values ($1, $2, $3, $4)
     on conflict (publication_id, address) do update set name = excluded.name returning id`,
    [id, publication, name, address],
  );
  return rows[0]!.id;
}

export async function dropWire(publication: string, id: string): Promise<void> {
  await pool().query('delete from wire where publication_id = $1 and id::text = $2', [publication, id]);
}

/** Keeps what a wire has sent, in the place of earlier versions, and notes that it was asked. */
export async function putNews(wire: string, news: readonly StoredNews[]): Promise<void> {
  await transaction(async (client) => {
    await client.query(`update wire set asked_at = now(), trouble = '' where id = $1`, [wire]);
    await client.query(
      `insert into wire_item (wire_id, uri, at, item)
       select $1, uri, coalesce(nullif(item ->> 'at', '')::timestamptz, now()), item
       from unnest($2::text[], $3::jsonb[]) as sent (uri, item)
       on conflict (wire_id, uri) do update
         set at = excluded.at, item = excluded.item, arrived_at = now()
         where wire_item.item is distinct from excluded.item and excluded.at >= wire_item.at`,
      [wire, news.map(({ uri }) => uri), news.map((each) => JSON.stringify(each))],
    );
    await client.query(
      `delete from wire_item where wire_id = $1 and uri not in
         (select uri from wire_item where wire_id = $1 order by at desc, uri limit $2)`,
      [wire, KEPT],
    );
  });
}

/** Notes that a wire was asked in vain. */
export async function putTrouble(wire: string, why: string): Promise<void> {
  await pool().query('update wire set asked_at = now(), trouble = $2 where id = $1', [wire, why]);
}

/** What is kept of a wire, the newest first; without the words themselves, which a list does not show. */
export async function newsOf<N extends StoredNews>(wire: string): Promise<(Omit<N, 'body'> & { readonly arrivedAt: string })[]> {
  const { rows } = await pool().query<{ item: Omit<N, 'body'>; arrived_at: Date }>(
    'select item - $2::text as item, arrived_at from wire_item where wire_id = $1 order by at desc, uri',
    [wire, 'body'],
  );
  return rows.map(({ item, arrived_at }) => ({ ...item, arrivedAt: arrived_at.toISOString() }));
}

/** One thing that a wire has sent, or nothing. */
export async function newsAt<N extends StoredNews>(wire: string, uri: string): Promise<N | undefined> {
  const { rows } = await pool().query<{ item: N }>('select item from wire_item where wire_id = $1 and uri = $2', [wire, uri]);
  return rows[0]?.item;
}
