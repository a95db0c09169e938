import { BusyError } from './errors';

/** Work that waits before anything more is turned away. */
const MOST_WAITING = 200;

interface Waiting {
  readonly start: () => void;
  readonly drop: (why: Error) => void;
}

/** Lets so much work be done at a time; the rest waits in line. */
export class Queue {
  readonly #atOnce: number;
  readonly #waiting: Waiting[] = [];
  #running = 0;

  constructor(atOnce: number) {
    this.#atOnce = atOnce;
  }

  get waiting(): number {
    return this.#waiting.length;
  }

  /**
   * @param signal work that has not begun when it is told that nobody waits any more is dropped
   * @throws BusyError when too much waits already; the signal's reason
   */
  async run<T>(work: () => Promise<T>, signal?: AbortSignal): Promise<T> {
    if (this.#running >= this.#atOnce) await this.#turn(signal);
    else this.#running++;
    try {
      signal?.throwIfAborted();
      return await work();
    } finally {
      const next = this.#waiting.shift();
      if (next) next.start();
      else this.#running--;
    }
  }

  #turn(signal: AbortSignal | undefined): Promise<void> {
    if (this.#waiting.length >= MOST_WAITING) throw new BusyError('The server is busy. Try again in a minute.');
    return new Promise((resolve, reject) => {
      const own: Waiting = { start: resolve, drop: reject };
      this.#waiting.push(own);
      signal?.addEventListener('abort', () => {
        const at = this.#waiting.indexOf(own);
        if (at < 0) return;
        this.#waiting.splice(at, 1);
        own.drop(signal.reason as Error);
      });
    });
  }
}
