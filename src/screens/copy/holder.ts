import type { TextHolder } from '../text/textInHand';

/** Holds which text of a story is written in. */
export class Holder implements TextHolder {
  readonly #listeners = new Set<() => void>();
  #text: string | undefined;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  isWriting(): boolean {
    return this.#text !== undefined;
  }

  take(text: string): void {
    this.#set(text);
  }

  leave(): void {
    this.#set(undefined);
  }

  #set(text: string | undefined): void {
    if (text === this.#text) return;
    this.#text = text;
    for (const listener of this.#listeners) listener();
  }
}
