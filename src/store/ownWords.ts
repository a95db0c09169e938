import { pool } from './pool';

/** A word that is written so, and a word of the dictionary that it is inflected like, if it is. */
export interface OwnWord {
  readonly word: string;
  readonly like: string;
  /** For one issue alone. */
  readonly issueOnly: boolean;
}

/** The words of a publication, and those of one of its issues. */
export async function getOwnWords(publication: string, document: string): Promise<OwnWord[]> {
  const { rows } = await pool().query<OwnWord>(
    `select word, example as like, document_id <> '' as "issueOnly" from own_word
      where publication_id = $1 and document_id in ('', $2) order by word`,
    [publication, document],
  );
  return rows;
}

export async function putOwnWord(publication: string, document: string, { word, like, issueOnly }: OwnWord): Promise<void> {
  await pool().query(
    `insert into own_word (publication_id, document_id, word, example) values ($1, $2, $3, $4)
     on conflict (publication_id, document_id, word) do update set example = excluded.example`,
    [publication, issueOnly ? document : '', word, like],
  );
}

export async function dropOwnWord(publication: string, document: string, word: string): Promise<void> {
  await pool().query("delete from own_word where publication_id = $1 and document_id in ('', $2) and word = $3", [
    publication,
    document,
    word,
  ]);
}
