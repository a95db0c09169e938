import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { RefusedFileError } from '@/formats/refused';
import { BusyError } from '@/services/errors';
import type { AnyJobKind, JobKind } from '@/services/jobs/kind';
import { CancelledError, Jobs } from '@/services/jobs/queue';
import { migrate } from '@/store/migrate';
import { pool } from '@/store/pool';
import { openCluster, type Cluster } from '../support/application';

let cluster: Cluster;

beforeAll(async () => {
  cluster = await openCluster();
  process.env['DATABASE_URL'] = cluster.url;
  await migrate('src/store/migrations');
});

afterAll(async () => {
  await pool().end();
  await cluster.stop();
});

/** Servers of a test, each with its own hands. */
const servers: Jobs[] = [];
afterEach(async () => {
  for (const server of servers.splice(0)) await server.stop();
});

const QUICK = { beat: 50, silence: 400, round: 100 };

async function server(...kinds: readonly unknown[]): Promise<Jobs> {
  const own = new Jobs(kinds as readonly AnyJobKind[], QUICK);
  servers.push(own);
  await own.start();
  return own;
}

/** Something that a test lets happen. */
function gate() {
  let open = () => undefined as void;
  const opened = new Promise<void>((resolve) => (open = resolve));
  return { open: () => open(), opened };
}

let named = 0;
/** A kind of job that no other test knows. */
const kind = <O extends object, R>(
  run: JobKind<O, R>['run'],
  more: Partial<Omit<JobKind<O, R>, 'name' | 'run'>> = {},
): JobKind<O, R> => ({ name: `kind-${++named}`, atOnce: 1, run, ...more });

describe('jobs', () => {
  it('are done once, by whichever server is free, and give what they made', async () => {
    const by: string[] = [];
    const name = `kind-${++named}`;
    const doneBy = (who: string): JobKind<{ n: number }, { square: number }> => ({
      name,
      atOnce: 2,
      run({ n }) {
        by.push(who);
        return Promise.resolve({ square: n * n });
      },
    });
    const here = doneBy('here');
    const first = await server(here);
    await server(doneBy('there'));
    const made = await Promise.all(Array.from({ length: 30 }, (_, n) => first.ask(here, { n })));
    expect(made.map(({ square }) => square)).toEqual(Array.from({ length: 30 }, (_, n) => n * n));
    expect(by).toHaveLength(30);
  });

  it('wait in line: a server does no more at a time than it may', async () => {
    let [now, most] = [0, 0];
    const two = gate();
    const own = kind<{ n: number }, null>(
      async () => {
        most = Math.max(most, ++now);
        if (now === 2) two.open();
        await two.opened;
        now--;
        return null;
      },
      { atOnce: 2 },
    );
    const jobs = await server(own);
    await Promise.all(Array.from({ length: 12 }, (_, n) => jobs.ask(own, { n })));
    expect(most).toBe(2);
  });

  it('that a server left when it went are done by another, from the beginning', async () => {
    const begun = gate();
    const name = `kind-${++named}`;
    const runs: string[] = [];
    const gone: JobKind<object, string> = {
      name,
      atOnce: 1,
      run() {
        runs.push('gone');
        begun.open();
        return new Promise(() => undefined);
      },
    };
    const first = await server(gone);
    const waiting = (await server()).ask(gone, {});
    await begun.opened;
    // It goes without a word, as when its machine does.
    await first.stop();
    await server({ ...gone, run: () => Promise.resolve(runs.push('there') > 0 ? 'done after all' : '') });
    expect(await waiting).toBe('done after all');
    expect(runs).toEqual(['gone', 'there']);
  });

  it('under way are not taken from a server that is alive, however long they take', async () => {
    const enough = gate();
    let runs = 0;
    const own = kind<object, string>(async () => {
      runs++;
      await enough.opened;
      return 'slow';
    });
    const first = await server(own);
    await server(own);
    const waiting = first.ask(own, {});
    // Longer than the silence after which a server is taken to be gone: this is what is being tested.
    await new Promise((resolve) => setTimeout(resolve, 2 * QUICK.silence));
    enough.open();
    expect(await waiting).toBe('slow');
    expect(runs).toBe(1);
  });

  it('that fail are tried again, and given up in the end', async () => {
    let runs = 0;
    const given: string[] = [];
    const own = kind<{ until: number }, number>(
      ({ until }) => {
        if (++runs < until) throw new Error(`Time ${runs} failed.`);
        return Promise.resolve(runs);
      },
      { gaveUp: (_, why) => Promise.resolve(void given.push(why)) },
    );
    const jobs = await server(own);
    expect(await jobs.ask(own, { until: 3 })).toBe(3);
    expect(given).toEqual([]);
    runs = 0;
    await expect(jobs.ask(own, { until: 100 })).rejects.toThrow('Time 3 failed.');
    expect(runs).toBe(3);
    expect(given).toEqual(['Time 3 failed.']);
  });

  it('that are refused are not tried again, and say why', async () => {
    let runs = 0;
    const own = kind<object, null>(() => {
      runs++;
      throw new RefusedFileError('“a.docx” is damaged.', 422);
    });
    const jobs = await server(own);
    const refused = jobs.ask(own, {});
    await expect(refused).rejects.toBeInstanceOf(RefusedFileError);
    await expect(refused).rejects.toMatchObject({ message: '“a.docx” is damaged.', status: 422 });
    expect(runs).toBe(1);
  });

  it('stop when nobody waits for them any more, on whichever server they are done', async () => {
    const begun = gate();
    const stopped = gate();
    const own = kind<object, null>((_, signal) => {
      begun.open();
      return new Promise((__, reject) =>
        signal.addEventListener('abort', () => {
          stopped.open();
          reject(signal.reason as Error);
        }),
      );
    });
    await server(own);
    const asking = await server();
    const leaving = new AbortController();
    const waiting = asking.ask(own, {}, leaving.signal);
    await begun.opened;
    leaving.abort(new Error('gone'));
    await expect(waiting).rejects.toBeInstanceOf(CancelledError);
    await stopped.opened;
  });

  it('are turned away when too many wait', async () => {
    const own = kind<object, null>(() => Promise.resolve(null));
    // A server that only asks: nobody does them.
    const asking = await server({ ...own, atOnce: 0 });
    await Promise.all(Array.from({ length: 200 }, () => asking.send(own, {})));
    await expect(asking.send(own, {})).rejects.toBeInstanceOf(BusyError);
  });

  it('go on after the database was away', async () => {
    const own = kind<{ n: number }, number>(({ n }) => Promise.resolve(n));
    const jobs = await server(own);
    expect(await jobs.ask(own, { n: 1 })).toBe(1);
    await pool()
      .query('select pg_terminate_backend(pid) from pg_stat_activity where pid <> pg_backend_pid() and backend_type = $1', [
        'client backend',
      ])
      .catch(() => undefined);
    expect(await jobs.ask(own, { n: 2 })).toBe(2);
  });
});
