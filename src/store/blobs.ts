import { createHash } from 'node:crypto';
import { type Client, pool, transaction } from './pool';

/** Bytes of a piece: small enough that no single row is heavy. */
const PIECE = 1 << 20;

/** Thrown when a file is not there. */
export class NoSuchBlobError extends Error {
  override name = 'NoSuchBlobError';
}

/**
 * Keeps a file under the SHA-256 of its content and gives that name. A file that is there already is not kept twice; one of
 * which pieces were lost is whole again.
 */
export async function putBlob(media: string, bytes: Uint8Array): Promise<string> {
  const sha256 = createHash('sha256').update(bytes).digest('hex');
  await transaction(async (client) => {
    const { rowCount } = await client.query(
      'insert into blob (sha256, media, bytes) values ($1, $2, $3) on conflict do nothing',
      [sha256, media, bytes.length],
    );
    if (rowCount === 0) {
      if (await isWhole(client, sha256)) return;
      await client.query('delete from blob_piece where sha256 = $1', [sha256]);
    }
    for (let at = 0, position = 0; at < bytes.length; at += PIECE, position++) {
      const piece = Buffer.from(bytes.buffer, bytes.byteOffset + at, Math.min(PIECE, bytes.length - at));
      await client.query('insert into blob_piece (sha256, position, content) values ($1, $2, $3)', [sha256, position, piece]);
    }
  });
  return sha256;
}

/** Whether all of a file's bytes are there. */
async function isWhole(client: Client, sha256: string): Promise<boolean> {
  const { rowCount } = await client.query(`select from blob where sha256 = $1 and ${WHOLE}`, [sha256]);
  return rowCount === 1;
}

/** A condition on rows of `blob`: their pieces make up the bytes that they say. */
export const WHOLE = 'bytes = (select coalesce(sum(length(content)), 0) from blob_piece where blob_piece.sha256 = blob.sha256)';

/** @throws NoSuchBlobError */
export async function getBlob(sha256: string): Promise<{ media: string; bytes: Uint8Array }> {
  const head = await pool().query<{ media: string }>('select media from blob where sha256 = $1', [sha256]);
  if (!head.rows[0]) throw new NoSuchBlobError('There is no such file.');
  const { rows } = await pool().query<{ content: Buffer }>('select content from blob_piece where sha256 = $1 order by position', [
    sha256,
  ]);
  return { media: head.rows[0].media, bytes: Buffer.concat(rows.map((row) => row.content)) };
}

export async function hasBlob(sha256: string): Promise<boolean> {
  const { rowCount } = await pool().query('select 1 from blob where sha256 = $1', [sha256]);
  return rowCount === 1;
}
