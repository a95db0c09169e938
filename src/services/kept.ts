/**
 * Things that take a while to make, remembered by name: the same thing is made once, however many ask for it at the
 * same time, and the oldest is forgotten when there are too many. What failed is not remembered.
 */
export class Kept<T> {
  readonly #made = new Map<string, Promise<T>>();
  readonly #most: number;

  constructor(most: number) {
    this.#most = most;
  }

  get(name: string, make: () => Promise<T>): Promise<T> {
    let made = this.#made.get(name);
    if (!made) {
      made = make();
      this.#made.set(name, made);
      made.catch(() => this.#made.delete(name));
      for (const oldest of this.#made.keys()) if (this.#made.size > this.#most) this.#made.delete(oldest);
    }
    return made;
  }
}
