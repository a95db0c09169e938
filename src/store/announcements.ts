import pg from 'pg';
import { databaseUrl } from './pool';

/** What servers tell one another (`NOTIFY`): that a document was changed, that a job waits, that one has ended. */
export const CHANNELS = ['document_changes', 'job_waits', 'job_ended'] as const;
export type Channel = (typeof CHANNELS)[number];

/** @param about what was announced; undefined where announcements may have been missed, and one has to look */
type Listener = (about: string | undefined) => void;

/** Milliseconds before a lost connection is tried again. */
const RETRY = 500;

/**
 * Hears what any server announces, over one connection a process, and tells those who asked. After a lost connection
 * everyone is told to look again.
 */
class Announcements {
  readonly #listeners = new Map<Channel, Set<Listener>>();
  #connected = false;

  /** Calls a listener for everything on a channel, until it is told to stop. */
  hear(channel: Channel, listener: Listener): () => void {
    const own = this.#listeners.get(channel) ?? new Set();
    this.#listeners.set(channel, own);
    own.add(listener);
    if (!this.#connected) {
      this.#connected = true;
      void this.#connect();
    }
    return () => own.delete(listener);
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
    client.on('notification', ({ channel, payload }) => this.#tell(channel as Channel, payload ?? ''));
    try {
      await client.connect();
      for (const channel of CHANNELS) await client.query(`listen ${channel}`);
      for (const channel of CHANNELS) this.#tell(channel, undefined);
    } catch {
      again();
    }
  }

  #tell(channel: Channel, about: string | undefined): void {
    for (const listener of [...(this.#listeners.get(channel) ?? [])]) listener(about);
  }
}

const shared = globalThis as { restlessKiteAnnouncements?: Announcements };

export function announcements(): Announcements {
  return (shared.restlessKiteAnnouncements ??= new Announcements());
}

/** Calls a listener with the number of every change of a document that any server stores; with infinity where some may have been missed. */
export function onChanges(document: string, listener: (seq: number) => void): () => void {
  return announcements().hear('document_changes', (about) => {
    if (about === undefined) return listener(Infinity);
    const change = JSON.parse(about) as { document: string; seq: number };
    if (change.document === document) listener(change.seq);
  });
}
