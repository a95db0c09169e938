import { recurringRecords } from '@/core/actions/recurring';
import { readRecord, type StoredRecord } from '@/core/records/stored';
import { loadRecords } from '@/store/documents';
import { listHouses } from '@/store/publications';

/** The recurring pages of a publication's house, with all that lies on them; nothing where it has no house. */
export async function recurringOf(publication: string): Promise<readonly StoredRecord[]> {
  const house = (await listHouses()).get(publication);
  if (house === undefined) return [];
  const { records } = await loadRecords(house);
  const needed = new Set(recurringRecords(records.map(readRecord)).map(({ id }) => id));
  return records.filter(({ id }) => needed.has(id));
}
