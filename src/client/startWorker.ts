/** A worker, which takes what it is told from the beginning (`earlyMessages`). */
export interface Started {
  readonly worker: Worker;
  /** Why it could not be started, or stopped; it comes to nothing as long as it works. */
  readonly stopped: Promise<string>;
}

/** Where each worker is: the scripts are built before the pages that name them (`scripts/setup/bundle.mjs`). */
export const workerUrl = (name: 'compose' | 'typeSheet' | 'spelling'): string => `${process.env['WORKERS']}/${name}.js`;

/**
 * Starts a worker. It uses nothing but what a browser has, since a page's head holds these lines themselves
 * (`startEarly`).
 */
export function startWorker(url: string, name = ''): Started {
  const worker = new Worker(url, { type: 'module', name });
  const stopped = new Promise<string>((resolve) => {
    worker.addEventListener('error', ({ message }) => resolve(message || 'its code could not be loaded'));
  });
  return { worker, stopped };
}

/**
 * A script for a page's first lines: the typesetter starts while the page's own scripts are still on their way.
 *
 * @param faces that it will need, by id
 */
export const startEarly = (faces: readonly string[]): string =>
  `self.earlyComposer=(${startWorker})(${JSON.stringify(workerUrl('compose'))},${JSON.stringify(faces.join(' '))})`;

const page = globalThis as { earlyComposer?: Started | undefined };

/** Starts the typesetter while its document is still on its way, unless the page's first lines have. */
export function startComposer(): void {
  page.earlyComposer ??= startWorker(workerUrl('compose'));
}

/** The typesetter that was started for whoever asks first, or a new one. */
export function takeComposer(): Started {
  startComposer();
  const early = page.earlyComposer!;
  page.earlyComposer = undefined;
  return early;
}
