import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { transaction } from './pool';

/** A number that no other program on the same database locks by. */
const LOCK = 720_254_001;

/**
 * Brings the database up to date: every numbered SQL file that has not run yet, in order, all in one transaction.
 * @returns the names of the files that ran
 */
export async function migrate(folder: string): Promise<string[]> {
  const files = (await readdir(folder)).filter((name) => /^\d{4}-.*\.sql$/.test(name)).sort();
  return transaction(async (client) => {
    await client.query('select pg_advisory_xact_lock($1)', [LOCK]);
    await client.query('create table if not exists migration (name text primary key, at timestamptz not null default now())');
    const { rows } = await client.query<{ name: string }>('select name from migration');
    const done = new Set(rows.map((row) => row.name));
    const ran: string[] = [];
    for (const name of files) {
      if (done.has(name)) continue;
      await client.query(await readFile(join(folder, name), 'utf8'));
      await client.query('insert into migration (name) values ($1)', [name]);
      ran.push(name);
    }
    return ran;
  });
}
