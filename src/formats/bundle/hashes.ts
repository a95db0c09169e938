import type { StoredRecord } from '@/core/records/stored';

/** Every file that a record names by its hash. */
export function hashesOf(record: StoredRecord): string[] {
  if (record.kind === 'picture') return [record.blob, record.preview, record.drawing].flatMap((hash) => hash ?? []);
  return record.kind === 'profile' && record.icc ? [record.icc.blob] : [];
}
