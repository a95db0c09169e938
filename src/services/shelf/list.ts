import {
  listHouses,
  listIssues,
  listLanguages,
  listPublications,
  listRemoved,
  type IssueSummary,
  type Publication,
} from '@/store/publications';

export interface ShelfRow extends Publication {
  /** The document that holds its design. */
  readonly house: string | undefined;
  readonly language: string;
  readonly issues: readonly IssueSummary[];
}

/** Every publication with its issues, the latest first. */
export async function listShelf(): Promise<ShelfRow[]> {
  const [publications, issues, houses, languages] = await Promise.all([
    listPublications(),
    listIssues(),
    listHouses(),
    listLanguages(),
  ]);
  return publications.map((publication) => ({
    ...publication,
    house: houses.get(publication.id),
    language: languages.get(publication.id) ?? 'en-GB',
    issues: issues.filter((issue) => issue.publication === publication.id),
  }));
}

/** What was taken off the shelf, with where it is put back. */
export async function removedFromShelf(): Promise<{ url: string; name: string }[]> {
  return (await listRemoved()).map(({ kind, id, name }) => ({
    url: kind === 'publication' ? `/api/publications/${id}` : `/api/documents/${id}/shelf`,
    name,
  }));
}
