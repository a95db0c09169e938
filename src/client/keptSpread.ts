import { createStore, get, set } from 'idb-keyval';
import type { Painted } from './composerClient';

/** The pages that were last looked at, painted as the document was at a change. */
export interface KeptSpread {
  readonly seq: number;
  readonly pages: ReadonlyMap<string, readonly Painted[]>;
}

const shelf = () => createStore('restless-kite-spreads', 'spreads');

/**
 * Keeps the pages in sight in the browser, so that a desk that is opened again shows them before anything is composed.
 * They hold for one state of the document, by number of change: of another they are not shown.
 */
export const keepSpread = (document: string, kept: KeptSpread): Promise<void> => set(document, kept, shelf());

/** The pages that were kept of a document, and the state they hold for; undefined where none were, or none can be. */
export async function keptSpread(document: string): Promise<KeptSpread | undefined> {
  return 'indexedDB' in globalThis ? get<KeptSpread>(document, shelf()) : undefined;
}
