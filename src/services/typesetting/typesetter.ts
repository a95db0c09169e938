import { fork } from 'node:child_process';
import { constants, setPriority } from 'node:os';
import type { TypesettingAnswer, TypesettingOrder } from './process';

/** Megabytes that the process may hold in JavaScript's own heap. */
const HEAP = 1_500;

/**
 * Has something composed in a process of its own, behind those that answer people: what it takes is given back when it
 * ends, and whatever happens to it happens to nobody else. It is a bundle by itself (`scripts/setup/bundle.mjs`): the
 * server's bundler is not to look into it.
 *
 * @throws Error when it cannot be done, or the process stops; the signal's reason
 */
export function inTypesetter(order: TypesettingOrder, signal: AbortSignal): Promise<void> {
  signal.throwIfAborted();
  const bundle = [process.cwd(), '.build', 'typesetting.mjs'].join('/');
  const child = fork(/* turbopackIgnore: true */ bundle, [], {
    serialization: 'advanced',
    execArgv: [`--max-old-space-size=${HEAP}`],
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: { ...process.env, MALLOC_ARENA_MAX: '2' },
  });
  try {
    setPriority(child.pid!, constants.priority.PRIORITY_BELOW_NORMAL);
  } catch {
    // It has ended already, or the system does not let it: then it is as quick as all others.
  }
  return new Promise((resolve, reject) => {
    const stop = () => {
      child.kill('SIGKILL');
      reject(signal.reason as Error);
    };
    signal.addEventListener('abort', stop, { once: true });
    child.once('message', (answer: TypesettingAnswer) => {
      if (answer.failed === undefined) resolve();
      else reject(new Error(answer.failed));
    });
    child.once('error', reject);
    child.once('exit', () => {
      signal.removeEventListener('abort', stop);
      reject(new Error('The typesetting process stopped.'));
    });
    child.send(order, (error) => error && reject(error));
  });
}
