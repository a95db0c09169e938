import { createStore, get, set } from 'idb-keyval';
import type { Painted } from './composerClient';

/** The pages that were last looked at, painted as the document was at a change. */
export interface KeptSpread {
  readonly seq: number;
  readonly pages: ReadonlyMap<string, readonly Painted[]>;
}

/** Where painted markup has a picture from. */
const PICTURE = /href="(\/api\/pictures\/[^"]+)"/g;

const shelf = () => createStore('restless-kite-spreads', 'spreads');

/**
 * Keeps the pages in sight in the browser, so that a desk that is opened again shows them before anything is composed.
 * They hold for one state of the document, by number of change: of another they are not shown.
 */
export const keepSpread = (document: string, kept: KeptSpread): Promise<void> => set(document, kept, shelf());

/**
 * The pages that were kept of a document, and the state they hold for; undefined where none were, or none can be. Their
 * pictures are fetched meanwhile.
 */
export async function keptSpread(document: string): Promise<KeptSpread | undefined> {
  if (!('indexedDB' in globalThis)) return undefined;
  const kept = await get<KeptSpread>(document, shelf());
  const markup = [...(kept?.pages.values() ?? [])].flatMap((chunks) => chunks.map((chunk) => chunk.markup));
  for (const each of markup) for (const [, source] of each.matchAll(PICTURE)) new Image().src = source!;
  return kept;
}
