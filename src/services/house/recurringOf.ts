import { recurringRecords } from '@/core/actions/recurring';
import { readRecord, stored, type StoredRecord } from '@/core/records/stored';
import { loadRecords } from '@/store/documents';
import { listHouses } from '@/store/publications';

/** The recurring pages of a publication's house, with all that lies on them; nothing where it has no house. */
export async function recurringOf(publication: string): Promise<readonly StoredRecord[]> {
  const house = (await listHouses()).get(publication);
  return house === undefined ? [] : recurringRecords((await loadRecords(house)).records.map(readRecord)).map(stored);
}
