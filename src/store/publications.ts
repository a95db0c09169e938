import { pool } from './pool';

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
  readonly number: string;
  readonly season: string;
  readonly date: string;
  readonly pages: number;
}

export async function listPublications(): Promise<Publication[]> {
  const { rows } = await pool().query<Publication>('select id, name, kind, frequency from publication order by position, name');
  return rows;
}

export async function insertPublication({ id, name, kind, frequency }: Publication): Promise<void> {
  await pool().query('insert into publication (id, name, kind, frequency) values ($1, $2, $3, $4)', [id, name, kind, frequency]);
}

/** All issues, the latest cover date first. */
export async function listIssues(): Promise<IssueSummary[]> {
  const { rows } = await pool().query<IssueSummary>(
    `select d.id, d.publication_id as publication, d.name,
            i.body ->> 'number' as number, i.body ->> 'season' as season, i.body ->> 'date' as date,
            (select count(*)::int from record p where p.document_id = d.id and p.kind = 'page') as pages
       from document d join record i on i.document_id = d.id and i.kind = 'issue'
      where d.kind = 'issue' order by i.body ->> 'date' desc`,
  );
  return rows;
}

/** The house document of each publication that has one, by publication. */
export async function listHouses(): Promise<ReadonlyMap<string, string>> {
  const { rows } = await pool().query<{ id: string; publication: string }>(
    `select id, publication_id as publication from document where kind = 'house'`,
  );
  return new Map(rows.map(({ id, publication }) => [publication, id]));
}
