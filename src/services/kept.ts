/** Nobody waits any more for what was being made. */
class AbandonedError extends Error {
  override name = 'AbandonedError';
}

interface Made<T> {
  readonly result: Promise<T>;
  readonly stop: AbortController;
  waiting: number;
  done: boolean;
}

/**
 * Things that take a while to make, remembered by name: the same thing is made once, however many ask for it at the
 * same time, and the oldest is forgotten when there are too many. What failed is not remembered, and what nobody waits
 * for any more is told so.
 */
export class Kept<T> {
  readonly #made = new Map<string, Made<T>>();
  readonly #most: number;

  constructor(most: number) {
    this.#most = most;
  }

  /** @param signal of the one who asks: told when that one does not wait any more */
  async get(name: string, make: (signal: AbortSignal) => Promise<T>, signal?: AbortSignal): Promise<T> {
    let made = this.#made.get(name);
    if (!made) {
      made = this.#begin(name, make);
      for (const oldest of this.#made.keys()) if (this.#made.size > this.#most) this.#made.delete(oldest);
    }
    const own = made;
    own.waiting++;
    const leave = () => {
      if (--own.waiting > 0 || own.done) return;
      if (this.#made.get(name) === own) this.#made.delete(name);
      own.stop.abort(new AbandonedError());
    };
    if (signal?.aborted) leave();
    else signal?.addEventListener('abort', leave, { once: true });
    return own.result;
  }

  #begin(name: string, make: (signal: AbortSignal) => Promise<T>): Made<T> {
    const stop = new AbortController();
    const result = make(stop.signal);
    const made: Made<T> = { result, stop, waiting: 0, done: false };
    this.#made.set(name, made);
    result.then(
      () => (made.done = true),
      () => {
        made.done = true;
        if (this.#made.get(name) === made) this.#made.delete(name);
      },
    );
    return made;
  }
}
