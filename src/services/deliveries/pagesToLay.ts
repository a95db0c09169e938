import type { PagesToLay } from '@/core/handoff/pressPlan';
import { countRecords, recordsOf } from '@/store/documents';

/** How many pages an issue has, and of what size: what sheets of a press are drawn from before they are made. */
export async function pagesToLay(document: string): Promise<PagesToLay | undefined> {
  const [format] = await recordsOf(document, ['format']);
  if (format?.kind !== 'format') return undefined;
  const { width, height, bleed } = format;
  return { count: await countRecords(document, 'page'), width, height, bleed };
}
