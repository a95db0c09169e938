import { pool } from './pool';

/** Pictures of pages that were drawn, the latest of each. */

/** The picture of a page as it was at a change, or since; undefined where it is to be drawn. */
export async function findPagePicture(
  document: string,
  page: number,
  width: number,
  seq: number,
): Promise<Uint8Array | undefined> {
  const { rows } = await pool().query<{ png: Buffer }>(
    'select png from page_picture where document_id = $1 and page = $2 and width = $3 and seq >= $4',
    [document, page, width, seq],
  );
  return rows[0]?.png;
}

export async function putPagePicture(document: string, page: number, width: number, seq: number, png: Uint8Array): Promise<void> {
  await pool().query(
    `insert into page_picture (document_id, page, width, seq, png) values ($1, $2, $3, $4, $5)
     on conflict (document_id, page, width) do update set seq = excluded.seq, png = excluded.png where page_picture.seq < excluded.seq`,
    [document, page, width, seq, Buffer.from(png.buffer, png.byteOffset, png.byteLength)],
  );
}
