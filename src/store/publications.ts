import type { Storable } from '@/core/records/stored';
import type { StoryState } from '@/core/records/story';
import { putChangedDocument, putDocument } from './documents';
import { type Client, pool, transaction } from './pool';

export interface Publication {
  readonly id: string;
  readonly name: string;
  readonly kind: 'magazine' | 'newsletter' | 'newspaper';
  readonly frequency: string;
}

export interface IssueSummary {
  readonly id: string;
  readonly publication: string;
  readonly name: string;
  /** The publication's name as the issue's own pages say it. */
  readonly named: string;
  readonly number: string;
  readonly season: string;
  readonly date: string;
  readonly pages: number;
  /** Of its paper: width over height. */
  readonly shape: number;
  /** Whether there is a picture of its first page: as it now is, as it was earlier, or none. */
  readonly cover: 'now' | 'earlier' | null;
}

/** The language of each publication, as its house says it, by publication. */
export async function listLanguages(): Promise<ReadonlyMap<string, string>> {
  const { rows } = await pool().query<{ publication: string; language: string }>(
    `select d.publication_id as publication, r.body ->> 'language' as language
       from document d join record r on r.document_id = d.id and r.kind = 'details' where d.kind = 'house'`,
  );
  return new Map(rows.map(({ publication, language }) => [publication, language]));
}

export async function listPublications(): Promise<Publication[]> {
  const { rows } = await pool().query<Publication>(
    'select id, name, kind, frequency from publication where removed_at is null order by position, name',
  );
  return rows;
}

export async function insertPublication(publication: Publication): Promise<void> {
  await transaction((client) => putPublication(client, publication));
}

const putPublication = (client: Client, { id, name, kind, frequency }: Publication) =>
  client.query('insert into publication (id, name, kind, frequency) values ($1, $2, $3, $4)', [id, name, kind, frequency]);

/** A publication with its house, both or neither. */
export async function insertPublicationWithHouse(
  publication: Publication,
  house: string,
  records: readonly Storable[],
): Promise<void> {
  await transaction(async (client) => {
    await putPublication(client, publication);
    await putDocument(client, { id: house, publication: publication.id, kind: 'house', name: 'House' }, records);
  });
}

/** A publication with its house and an issue, all or nothing; false where it is there already. */
export function insertBrought(publication: Publication, house: Brought, issue: Brought): Promise<boolean> {
  return transaction(async (client) => {
    const { rowCount } = await client.query('select 1 from publication where id = $1', [publication.id]);
    if (rowCount !== 0) return false;
    await putPublication(client, publication);
    await putChangedDocument(client, { id: house.id, publication: publication.id, kind: 'house', name: house.name }, house);
    await putChangedDocument(client, { id: issue.id, publication: publication.id, kind: 'issue', name: issue.name }, issue);
    return true;
  });
}

/** A document that was made elsewhere. */
export interface Brought {
  readonly id: string;
  readonly name: string;
  readonly seq: number;
  readonly records: readonly Storable[];
  readonly versions: Readonly<Record<string, number>>;
}

/** @returns undefined when there is no such publication */
export async function findPublication(id: string): Promise<Publication | undefined> {
  const { rows } = await pool().query<Publication>('select id, name, kind, frequency from publication where id = $1', [id]);
  return rows[0];
}

/**
 * Does some work on an issue that is to have a number. Of one publication such work is done one after the other.
 *
 * @param issue that may have the number already
 * @returns false, with nothing done, where another issue on the shelf has it
 */
export function withNumber(
  publication: string,
  number: string,
  issue: string,
  work: (client: Client) => Promise<unknown>,
): Promise<boolean> {
  return transaction(async (client) => {
    await client.query('select 1 from publication where id = $1 for update', [publication]);
    const { rowCount } = await client.query(
      `select 1 from document d join record i on i.document_id = d.id and i.kind = 'issue'
        where d.publication_id = $1 and d.id <> $3 and d.removed_at is null and i.body ->> 'number' = $2`,
      [publication, number, issue],
    );
    if ((rowCount ?? 0) > 0) return false;
    await work(client);
    return true;
  });
}

/** All issues, the latest cover date first. */
export async function listIssues(): Promise<IssueSummary[]> {
  const { rows } = await pool().query<IssueSummary>(
    `select d.id, d.publication_id as publication, d.name,
            i.body ->> 'publication' as named, i.body ->> 'number' as number, i.body ->> 'season' as season, i.body ->> 'date' as date,
            (select count(*)::int from record p where p.document_id = d.id and p.kind = 'page') as pages,
            ((f.body ->> 'width')::float8 / (f.body ->> 'height')::float8) as shape,
            (select case when max(s.seq) >= d.seq then 'now' when max(s.seq) is not null then 'earlier' end
               from page_picture s where s.document_id = d.id and s.page = 1) as cover
       from document d join record i on i.document_id = d.id and i.kind = 'issue'
            join record f on f.document_id = d.id and f.id = 'format'
      where d.kind = 'issue' and d.removed_at is null order by i.body ->> 'date' desc`,
  );
  return rows;
}

/** A story as the shelf tells of it. */
export interface StorySummary {
  readonly issue: string;
  readonly id: string;
  readonly name: string;
  readonly state: StoryState;
  /** The day its copy is due, ISO 8601. */
  readonly due: string | null;
  readonly writer: string | null;
  /** The words of its byline. */
  readonly byline: string | null;
}

/** The stories of issues, with what is known of each. */
export async function listStories(issues: readonly string[]): Promise<StorySummary[]> {
  const { rows } = await pool().query<StorySummary>(
    `select s.document_id as issue, s.id, s.body ->> 'name' as name, coalesce(s.body ->> 'state', 'planned') as state,
            s.body ->> 'due' as due, s.body ->> 'writer' as writer,
            (select string_agg(word #>> '{}', '') from record b, jsonb_path_query(b.body -> 'body', 'strict $.** ? (exists(@.text)).text') word
              where b.document_id = s.document_id and b.id = s.body -> 'parts' ->> 'byline') as byline
       from record s where s.kind = 'story' and s.document_id = any($1)
      order by s.body ->> 'due', s.body ->> 'order'`,
    [issues],
  );
  return rows;
}

/** Gives a publication another name; false when there is no such one. */
export async function setName(id: string, name: string): Promise<boolean> {
  const { rowCount } = await pool().query('update publication set name = $2 where id = $1', [id, name]);
  return rowCount === 1;
}

export const setDocumentName = (client: Client, id: string, name: string): Promise<unknown> =>
  client.query('update document set name = $2 where id = $1', [id, name]);

/** Takes a publication off the shelf, or puts it back; what it holds stays as it is. False when there is no such one. */
export async function setPublicationRemovedAt(id: string, at: Date | null): Promise<boolean> {
  return (await pool().query('update publication set removed_at = $2 where id = $1', [id, at])).rowCount === 1;
}

/** Takes an issue off the shelf, or puts it back; what it holds stays as it is. */
export const setIssueRemovedAt = (client: Client, id: string, at: Date | null): Promise<unknown> =>
  client.query("update document set removed_at = $2 where id = $1 and kind = 'issue'", [id, at]);

/** What was taken off the shelf, the latest first. */
export async function listRemoved(): Promise<{ kind: 'publication' | 'issue'; id: string; name: string }[]> {
  const { rows } = await pool().query<{ kind: 'publication' | 'issue'; id: string; name: string }>(
    `select 'publication' as kind, id, name, removed_at from publication where removed_at is not null
     union all
     select 'issue', d.id, p.name || ' ' || d.name, d.removed_at
       from document d join publication p on p.id = d.publication_id
      where d.removed_at is not null and p.removed_at is null
      order by removed_at desc`,
  );
  return rows.map(({ kind, id, name }) => ({ kind, id, name }));
}

/** The house document of each publication that has one, by publication. */
export async function listHouses(): Promise<ReadonlyMap<string, string>> {
  const { rows } = await pool().query<{ id: string; publication: string }>(
    `select id, publication_id as publication from document where kind = 'house'`,
  );
  return new Map(rows.map(({ id, publication }) => [publication, id]));
}

/** The issues of a publication but one, those that were removed left out, the newest first. */
export async function listIssuesBeside(publication: string, issue: string): Promise<{ id: string; name: string }[]> {
  const { rows } = await pool().query<{ id: string; name: string }>(
    `select d.id, d.name from document d join record i on i.document_id = d.id and i.kind = 'issue'
      where d.publication_id = $1 and d.id <> $2 and d.kind = 'issue' and d.removed_at is null
      order by i.body ->> 'date' desc`,
    [publication, issue],
  );
  return rows;
}
