import type { Document } from '@/core/records/document';
import { insertDocument } from '@/store/documents';
import { insertPublication, listPublications } from '@/store/publications';

/** Puts an issue into the database, of a publication that holds all those of the benchmark. */
export async function storeIssue(id: string, name: string, issue: Document): Promise<void> {
  if (!(await listPublications()).some((each) => each.id === 'bench'))
    await insertPublication({ id: 'bench', name: 'Bench', kind: 'magazine', frequency: 'quarterly' });
  await insertDocument({ id, publication: 'bench', kind: 'issue', name }, [...issue.records.values()]);
}
