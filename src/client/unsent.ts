import { createStore, del, entries, set, type UseStore } from 'idb-keyval';
import { nanoid } from 'nanoid';

/**
 * What was done in this browser and has not reached the server yet, in IndexedDB: by document, and by the tab that it was
 * done in, so that two tabs do not write over one another's.
 */
export interface Unsent {
  /** What earlier pages of this tab left, and tabs that are gone. */
  kept(): Promise<readonly unknown[]>;
  /** @throws whatever the browser says where it cannot keep it */
  keep(changes: readonly unknown[]): Promise<void>;
}

/** The form in which changes are kept; what another version of the application kept is left alone. */
const FORM = 1;

interface Entry {
  readonly form: number;
  readonly changes: readonly unknown[];
}

let shelf: UseStore | undefined;
const unsentShelf = (): UseStore => (shelf ??= createStore('restless-kite', 'unsent'));

const lockOf = (tab: string): string => `restless-kite-tab-${tab}`;

let own: Promise<string> | undefined;

/** The name of this tab, the same after a reload. It is locked while the tab is there, so that others know it is. */
function tabName(): Promise<string> {
  return (own ??= named(sessionStorage.getItem('restless-kite-tab') ?? nanoid(10)));
}

async function named(wanted: string): Promise<string> {
  const held = await locked(wanted);
  // A tab that is a copy of another has its name too, and takes one of its own.
  const name = held ? wanted : nanoid(10);
  if (!held) await locked(name);
  sessionStorage.setItem('restless-kite-tab', name);
  return name;
}

/** Holds a tab's lock until it is gone; false where another holds it. Without locks every tab is taken to be there. */
function locked(name: string): Promise<boolean> {
  const locks = navigator.locks as LockManager | undefined;
  if (!locks) return Promise.resolve(true);
  return new Promise((resolve) => {
    void locks.request(lockOf(name), { ifAvailable: true }, (lock) => {
      resolve(lock !== null);
      return lock ? new Promise(() => undefined) : undefined;
    });
  });
}

async function livingTabs(): Promise<ReadonlySet<string> | undefined> {
  const locks = navigator.locks as LockManager | undefined;
  return locks && new Set((await locks.query()).held?.flatMap(({ name }) => name ?? []));
}

export function unsent(document: string): Unsent {
  const prefix = `${document}/`;
  return {
    async kept() {
      const tab = await tabName();
      const living = await livingTabs();
      const found: unknown[] = [];
      for (const [key, entry] of await entries<string, Entry>(unsentShelf())) {
        if (!key.startsWith(prefix) || entry.form !== FORM) continue;
        const of = key.slice(prefix.length);
        if (of !== tab && (!living || living.has(lockOf(of)))) continue;
        found.push(...entry.changes);
        if (of === tab) continue;
        // From now on it is this tab's to send, and kept under its name.
        await set(prefix + tab, { form: FORM, changes: found }, unsentShelf());
        await del(key, unsentShelf());
      }
      return found;
    },
    async keep(changes) {
      const key = prefix + (await tabName());
      if (changes.length === 0) await del(key, unsentShelf());
      else await set(key, { form: FORM, changes } satisfies Entry, unsentShelf());
    },
  };
}
