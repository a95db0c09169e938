import { Worker } from 'node:worker_threads';
import type { ThreadOrder } from './worker';

/**
 * Has something composed in a thread of its own, so that the server goes on answering. The thread is a bundle by itself
 * (`scripts/setup/bundle.mjs`): the server's bundler is not to look into it.
 *
 * @throws Error when it cannot be done, or the thread stops; the signal's reason
 */
export function inThread<T>(order: ThreadOrder, signal: AbortSignal): Promise<T> {
  signal.throwIfAborted();
  const bundle = [process.cwd(), '.build', 'typesetting.worker.mjs'].join('/');
  return new Promise<T>((resolve, reject) => {
    const worker = new Worker(/* turbopackIgnore: true */ bundle, { workerData: order, env: process.env });
    const stop = () => {
      void worker.terminate();
      reject(signal.reason as Error);
    };
    signal.addEventListener('abort', stop, { once: true });
    let made: { readonly result: T } | undefined;
    worker.once('message', (result: T) => (made = { result }));
    worker.once('error', reject);
    worker.once('exit', () => {
      signal.removeEventListener('abort', stop);
      // What it made counts when it has ended: until then it may still be writing.
      if (made) resolve(made.result);
      else reject(new Error('The typesetting thread stopped.'));
    });
  });
}
