import pg from 'pg';
import { CHANGES_CHANNEL } from './documents';
import { databaseUrl } from './pool';

type Listener = (seq: number) => void;

/** Milliseconds before a lost connection is tried again. */
const RETRY = 500;

/**
 * Hears of every change stored by any server (`LISTEN`), over one connection a process, and tells those who asked
 * about that document. After a lost connection everyone is told to look again, as changes may have been missed.
 */
class Announcements {
  readonly #listeners = new Map<string, Set<Listener>>();
  #connected = false;

  subscribe(document: string, listener: Listener): () => void {
    const own = this.#listeners.get(document) ?? new Set();
    this.#listeners.set(document, own);
    own.add(listener);
    if (!this.#connected) {
      this.#connected = true;
      void this.#connect();
    }
    return () => {
      own.delete(listener);
      if (own.size === 0) this.#listeners.delete(document);
    };
  }

  async #connect(): Promise<void> {
    const client = new pg.Client({ connectionString: databaseUrl() });
    let over = false;
    const again = () => {
      if (over) return;
      over = true;
      client.on('error', () => undefined);
      void client.end().catch(() => undefined);
      setTimeout(() => void this.#connect(), RETRY).unref();
    };
    client.once('error', again);
    client.once('end', again);
    client.on('notification', ({ payload }) => {
      const { document, seq } = JSON.parse(payload ?? '{}') as { document: string; seq: number };
      for (const listener of this.#listeners.get(document) ?? []) listener(seq);
    });
    try {
      await client.connect();
      await client.query(`listen ${CHANGES_CHANNEL}`);
      for (const listeners of this.#listeners.values()) for (const listener of listeners) listener(Infinity);
    } catch {
      again();
    }
  }
}

const shared = globalThis as { restlessKiteAnnouncements?: Announcements };

export function announcements(): Announcements {
  return (shared.restlessKiteAnnouncements ??= new Announcements());
}
