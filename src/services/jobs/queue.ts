import { randomUUID } from 'node:crypto';
import PgBoss from 'pg-boss';
import { RefusedFileError } from '@/formats/refused';
import { announcements, type Channel } from '@/store/announcements';
import { pool, transaction } from '@/store/pool';
import { BusyError } from '../errors';
import type { AnyJobKind, JobKind } from './kind';

/** Jobs of one kind that wait before anything more is turned away. */
const MOST_WAITING = 200;

/** Times in milliseconds. */
export interface Pace {
  /** Between two signs of life of a job; and without one for so long its server is taken to be gone. */
  readonly beat: number;
  readonly silence: number;
  /** Between two looks for jobs whose server has gone, and for any that an announcement was missed of. */
  readonly round: number;
}

const USUAL: Pace = { beat: 2_000, silence: 12_000, round: 4_000 };

/** Times that a job is tried again, and seconds that it may take at most. */
const RETRIES = 2;
const LONGEST = 3_600;

/** What came of a job: what it gave, or why it will not become better. */
type Outcome =
  { readonly done: unknown } | { readonly refused: { readonly message: string; readonly status: RefusedFileError['status'] } };

/** Nobody waits any more for a job, or somebody cancelled it. */
export class CancelledError extends Error {
  override name = 'AbortError';
}

/** The queue that all servers of a database share: each does what it is free to do, and what another leaves undone. */
export class Jobs {
  readonly #kinds: ReadonlyMap<string, AnyJobKind>;
  readonly #boss: PgBoss;
  /** How many of a kind are being done here, and jobs being done here by id. */
  readonly #busy = new Map<string, number>();
  readonly #here = new Map<string, { readonly stop: AbortController; readonly beating: NodeJS.Timeout }>();
  #started: Promise<void> | undefined;
  #stop: (() => void)[] = [];

  readonly #pace: Pace;

  constructor(kinds: readonly AnyJobKind[], pace = USUAL) {
    this.#pace = pace;
    this.#kinds = new Map(kinds.map((kind) => [kind.name, kind]));
    const executeSql = (text: string, values: unknown[]) => pool().query<Record<string, unknown>>(text, values);
    this.#boss = new PgBoss({ db: { executeSql }, schedule: false });
    // It tries again by itself; what is wrong with the database is noticed by whoever waits for something.
    this.#boss.on('error', (error) => console.error(`The queue of jobs: ${error.message}`));
  }

  /** Begins to do jobs. Called again it does nothing; where the database was away it tries again. */
  start(): Promise<void> {
    return (this.#started ??= this.#begin().catch((error: unknown) => {
      this.#started = undefined;
      throw error;
    }));
  }

  async #begin(): Promise<void> {
    await this.#boss.start();
    for (const name of this.#kinds.keys()) await this.#boss.createQueue(name);
    const round = setInterval(() => void this.#round().catch(() => undefined), this.#pace.round);
    round.unref();
    this.#stop = [
      () => clearInterval(round),
      announcements().hear('job_waits', (name) => this.#lookFor(name)),
      announcements().hear('job_ended', (id) => {
        if (id !== undefined) this.#here.get(id)?.stop.abort(new CancelledError('Cancelled.'));
      }),
    ];
    this.#lookFor(undefined);
  }

  /** Ends doing jobs; those under way are left to other servers. */
  async stop(): Promise<void> {
    for (const stop of this.#stop.splice(0)) stop();
    for (const { stop, beating } of this.#here.values()) {
      clearInterval(beating);
      stop.abort(new CancelledError('The server stops.'));
    }
    await this.#boss.stop({ graceful: false, wait: false });
  }

  /** Puts a job in line. @param id of the job, where it is to be known before @throws BusyError when too much waits already */
  async send<O extends object>(kind: JobKind<O, unknown>, order: O, id: string = randomUUID()): Promise<string> {
    await this.start();
    if ((await this.#boss.getQueueSize(kind.name)) >= MOST_WAITING)
      throw new BusyError('The server is busy. Try again in a minute.');
    await this.#boss.send(kind.name, order, { id, retryLimit: RETRIES, retryDelay: 0, expireInSeconds: LONGEST });
    await announce('job_waits', kind.name);
    return id;
  }

  /**
   * Has a job done and waits for what it gives.
   *
   * @param signal of the one who waits: the job is cancelled when that one does not any more
   * @throws RefusedFileError, BusyError; Error when it could not be done
   */
  async ask<O extends object, R>(kind: JobKind<O, R>, order: O, signal?: AbortSignal, id: string = randomUUID()): Promise<R> {
    const ended = this.#ended(kind, id);
    const leave = () => void this.cancel(kind, id).catch(() => undefined);
    try {
      signal?.throwIfAborted();
      await this.send(kind, order, id);
      signal?.addEventListener('abort', leave, { once: true });
      if (signal?.aborted) leave();
      return (await ended.result) as R;
    } finally {
      ended.forget();
      signal?.removeEventListener('abort', leave);
    }
  }

  /** Cancels a job, wherever it is done; one that has ended stays as it is. */
  async cancel(kind: JobKind<never, unknown>, id: string): Promise<void> {
    await this.start();
    await this.#boss.cancel(kind.name, id);
    await announce('job_ended', id);
  }

  /** Waits until a job ends, on any server, for what it gives. */
  #ended(kind: JobKind<never, unknown>, id: string): { readonly result: Promise<unknown>; readonly forget: () => void } {
    let forget = () => undefined as unknown;
    const result = new Promise<unknown>((resolve, reject) => {
      const look = async () => {
        const job = await this.#boss.getJobById(kind.name, id, { includeArchive: true });
        if (!job) return;
        if (job.state === 'completed') {
          const outcome = job.output as Outcome;
          if ('done' in outcome) resolve(outcome.done);
          else reject(new RefusedFileError(outcome.refused.message, outcome.refused.status));
        } else if (job.state === 'cancelled') reject(new CancelledError('Cancelled.'));
        else if (job.state === 'failed') reject(new Error(whyOf(job.output)));
      };
      forget = announcements().hear('job_ended', (about) => {
        if (about === undefined || about === id) void look().catch(reject);
      });
    });
    // Whoever stops waiting is not told what came of it.
    result.catch(() => undefined);
    return { result, forget };
  }

  #lookFor(name: string | undefined): void {
    for (const kind of this.#kinds.values()) if (name === undefined || name === kind.name) void this.#look(kind);
  }

  /** Takes jobs of a kind as long as there are any, and hands free. */
  async #look(kind: AnyJobKind): Promise<void> {
    const busy = this.#busy.get(kind.name) ?? 0;
    if (busy >= kind.atOnce) return;
    this.#busy.set(kind.name, busy + 1);
    let worked = false;
    try {
      const [job] = await this.#boss.fetch<object>(kind.name, { batchSize: 1 });
      if (job) {
        worked = true;
        void this.#look(kind);
        await this.#do(kind, job.id, job.data);
      }
    } catch (error) {
      console.error(`A job of “${kind.name}”: ${(error as Error).message}`);
    } finally {
      this.#busy.set(kind.name, this.#busy.get(kind.name)! - 1);
    }
    if (worked) void this.#look(kind);
  }

  async #do(kind: AnyJobKind, id: string, order: object): Promise<void> {
    const stop = new AbortController();
    const beating = setInterval(() => void beat(id).catch(() => undefined), this.#pace.beat);
    this.#here.set(id, { stop, beating });
    try {
      await beat(id);
      await this.#boss.complete(kind.name, id, { done: await kind.run(order, stop.signal) });
    } catch (error) {
      // One that was cancelled, or that another server has taken over, is not this server's any more.
      if (stop.signal.aborted) return;
      if (error instanceof RefusedFileError)
        await this.#boss.complete(kind.name, id, { refused: { message: error.message, status: error.status } });
      else await this.#failed(kind, id, order, (error as Error).message);
    } finally {
      clearInterval(beating);
      this.#here.delete(id);
      await pool().query('delete from job_beat where job = $1', [id]);
      await announce('job_ended', id);
    }
  }

  /** Has a job tried again, or gives it up when that has been done often enough. */
  async #failed(kind: AnyJobKind, id: string, order: object, why: string): Promise<void> {
    await this.#boss.fail(kind.name, id, { message: why });
    const job = await this.#boss.getJobById(kind.name, id);
    if (job?.state === 'retry') await announce('job_waits', kind.name);
    else if (job?.state === 'failed') {
      await kind.gaveUp?.(order, why);
      await announce('job_ended', id);
    }
  }

  /** Takes away from servers that have gone what they left undone, and looks whether there is anything to do. */
  async #round(): Promise<void> {
    const left = await transaction(async (client) => {
      // One server does it at a time: a job that is taken away twice would be tried twice.
      const { rows } = await client.query<{ own: boolean }>('select pg_try_advisory_xact_lock($1) as own', [LOCK]);
      if (!rows[0]?.own) return [];
      const silent = await client.query<{ id: string; name: string; data: object }>(
        `select j.id, j.name, j.data from pgboss.job j left join job_beat b on b.job = j.id
          where j.state = 'active' and j.name = any($1)
            and greatest(j.started_on, b.at) < now() - make_interval(secs => $2)`,
        [[...this.#kinds.keys()], this.#pace.silence / 1_000],
      );
      for (const { id, name, data } of silent.rows)
        await this.#failed(this.#kinds.get(name)!, id, data, 'The server stopped every time it was tried.');
      return silent.rows;
    });
    if (left.length > 0) this.#lookFor(undefined);
    for (const kind of this.#kinds.values()) await this.#look(kind);
  }
}

/** A number that no other program on the same database locks by. */
const LOCK = 720_254_002;

const announce = (channel: Channel, about: string) => pool().query('select pg_notify($1, $2)', [channel, about]);

const beat = (id: string) =>
  pool().query('insert into job_beat (job) values ($1) on conflict (job) do update set at = now()', [id]);

/** Why a job failed, from what was kept of it. */
const whyOf = (output: object): string => (output as { message?: string } | null)?.message ?? 'It could not be done.';
