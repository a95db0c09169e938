/** A choice that this browser keeps, under a name, for all who watch it here. */
export interface KeptChoice {
  /** What is kept; null where nothing is, and where there is no browser. */
  now(): string | null;
  /** Undefined takes it away. */
  put(value: string | undefined): void;
  /** Tells all who watch: what they make of the choice has changed by something else. */
  tell(): void;
  subscribe(listener: () => void): () => void;
}

export function keptChoice(name: string): KeptChoice {
  const listeners = new Set<() => void>();
  const tell = () => {
    for (const listener of listeners) listener();
  };
  return {
    now: () => (typeof localStorage === 'undefined' ? null : localStorage.getItem(name)),
    put(value) {
      if (value === undefined) localStorage.removeItem(name);
      else localStorage.setItem(name, value);
      tell();
    },
    tell,
    subscribe(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
  };
}
