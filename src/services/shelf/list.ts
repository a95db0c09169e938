import { listIssues, listPublications, type IssueSummary, type Publication } from '@/store/publications';

export interface ShelfRow extends Publication {
  readonly issues: readonly IssueSummary[];
}

/** Every publication with its issues, the latest first. */
export async function listShelf(): Promise<ShelfRow[]> {
  const [publications, issues] = await Promise.all([listPublications(), listIssues()]);
  return publications.map((publication) => ({
    ...publication,
    issues: issues.filter((issue) => issue.publication === publication.id),
  }));
}
