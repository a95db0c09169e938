import { expose } from 'comlink';

/**
 * What a worker is told before it listens, which is lost otherwise: its own code waits for HarfBuzz or for a dictionary.
 * It stands first among a worker's imports.
 */
const early: MessageEvent[] = [];
const keep = (event: MessageEvent): void => void early.push(event);
self.addEventListener('message', keep);

/** Offers to the page what a worker does, and does what it was asked for until then, in order. */
export function offer(what: object): void {
  self.removeEventListener('message', keep);
  expose(what);
  for (const { data } of early) self.dispatchEvent(new MessageEvent('message', { data }));
  early.length = 0;
}
