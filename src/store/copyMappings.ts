import { pool } from './pool';

/** What names of styles in copy become in a publication, by name. */
export async function getMapping(publication: string): Promise<Readonly<Record<string, string>>> {
  const { rows } = await pool().query<{ name: string; target: string }>(
    'select name, target from copy_mapping where publication_id = $1 order by name',
    [publication],
  );
  return Object.fromEntries(rows.map(({ name, target }) => [name, target]));
}

/** Keeps what some names become; what is known of others stays. */
export async function putMapping(publication: string, mapping: Readonly<Record<string, string>>): Promise<void> {
  const names = Object.keys(mapping);
  await pool().query(
    `insert into copy_mapping (publication_id, name, target)
     select $1, name, target from unnest($2::text[], $3::text[]) as said (name, target)
     on conflict (publication_id, name) do update set target = excluded.target`,
    [publication, names, names.map((name) => mapping[name])],
  );
}
