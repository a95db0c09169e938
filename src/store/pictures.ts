import { WHOLE } from './blobs';
import { pool } from './pool';

/** The pictures of a document of one of whose files not all is kept any more, as after damage to a disk. */
export async function missingPictures(document: string): Promise<string[]> {
  const { rows } = await pool().query<{ id: string }>(
    `select id from record
     where document_id = $1 and kind = 'picture' and exists (
       select from unnest(array[body->>'blob', body->>'preview', body->>'drawing']) as file
       where file is not null and not exists (select from blob where sha256 = file and ${WHOLE}))
     order by id`,
    [document],
  );
  return rows.map(({ id }) => id);
}

/** The pictures of a document that were taken from an agency: what it calls them, and which version they are. */
export async function takenPictures(document: string): Promise<{ id: string; uri: string; version: string }[]> {
  const { rows } = await pool().query<{ id: string; uri: string; version: string }>(
    `select id, body->'source'->>'uri' as uri, body->'source'->>'version' as version
     from record where document_id = $1 and kind = 'picture' and body ? 'source' order by id`,
    [document],
  );
  return rows;
}
