import { pool } from './pool';

/** Files that have come in and are still to be read, by any server. */

export async function putUpload(id: string, name: string, bytes: Uint8Array): Promise<void> {
  await pool().query('insert into upload (id, name, content) values ($1, $2, $3) on conflict do nothing', [
    id,
    name,
    Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength),
  ]);
}

/** @throws Error where it is not there any more */
export async function getUpload(id: string): Promise<{ readonly name: string; readonly bytes: Uint8Array }> {
  const { rows } = await pool().query<{ name: string; bytes: Buffer }>(
    'select name, content as bytes from upload where id = $1',
    [id],
  );
  if (!rows[0]) throw new Error('That file is no longer there.');
  return rows[0];
}

/** Lets a file go, and those that nobody came back for within a day. */
export async function dropUpload(id: string): Promise<void> {
  await pool().query("delete from upload where id = $1 or created_at < now() - interval '1 day'", [id]);
}
