import { HOUSE_KINDS, type SentChange } from '@/core/plan/houseOffers';
import { type DocumentHead, loadRecords, recordsSince, removedSince } from '@/store/documents';
import { listHouses } from '@/store/publications';

/** What an issue's house says otherwise than when the issue was last brought up to it. */
export async function houseChanges({ id: issue, publication }: DocumentHead): Promise<SentChange[]> {
  const house = (await listHouses()).get(publication);
  if (house === undefined) return [];
  const own = (await loadRecords(issue)).records.find((record) => record.kind === 'issue');
  if (!own?.house) return [];
  const changed = (await recordsSince(house, own.house.seq, HOUSE_KINDS)).map(({ record, version }): SentChange => ({
    id: record.id,
    kind: record.kind,
    now: record,
    seq: version,
  }));
  const removed = (await removedSince(house, own.house.seq)).filter(({ kind }) => HOUSE_KINDS.includes(kind));
  return [...changed, ...removed.map(({ id, kind, seq }): SentChange => ({ id, kind, now: undefined, seq }))];
}
