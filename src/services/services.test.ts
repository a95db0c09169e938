import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { DISK_FULL, reasonOf } from './errors';
import { isAllowedHost } from './hosts';
import { Kept } from './kept';
import { Queue } from './queue';

const deferred = <T>() => {
  let resolve!: (value: T) => void;
  const promise = new Promise<T>((done) => (resolve = done));
  return { promise, resolve };
};

describe('a queue', () => {
  it('does so much at a time, in the order in which it was asked, and drops what nobody waits for', async () => {
    const queue = new Queue(2);
    const begun: number[] = [];
    const gates = Array.from({ length: 5 }, () => deferred<number>());
    const stop = new AbortController();
    const all = gates.map((gate, i) =>
      queue.run(
        () => {
          begun.push(i);
          return gate.promise;
        },
        i === 3 ? stop.signal : undefined,
      ),
    );
    await Promise.resolve();
    expect(begun).toEqual([0, 1]);
    expect(queue.waiting).toBe(3);
    stop.abort(new Error('gone'));
    await expect(all[3]).rejects.toThrow('gone');
    gates.forEach((gate, i) => gate.resolve(i));
    expect(await Promise.all([all[0], all[1], all[2], all[4]])).toEqual([0, 1, 2, 4]);
    expect(begun).toEqual([0, 1, 2, 4]);
  });

  it('turns away what would wait behind too much, and goes on after work that fails', async () => {
    const queue = new Queue(1);
    const gate = deferred<void>();
    const running = queue.run(() => gate.promise);
    const waiting = Array.from({ length: 200 }, (_, i) => queue.run(() => Promise.resolve(i)));
    await expect(queue.run(() => Promise.resolve())).rejects.toThrow('The server is busy');
    gate.resolve();
    await running;
    expect(await Promise.all(waiting)).toHaveLength(200);
    await expect(queue.run(() => Promise.reject(new Error('broke')))).rejects.toThrow('broke');
    expect(await queue.run(() => Promise.resolve('on'))).toBe('on');
  });
});

describe('what is kept', () => {
  it('is made once for all who ask, and given up when the last of them does not wait any more', async () => {
    const kept = new Kept<string>(2);
    const gate = deferred<string>();
    let told: AbortSignal | undefined;
    let made = 0;
    const make = (signal: AbortSignal) => {
      made++;
      told = signal;
      return gate.promise;
    };
    const [one, two] = [new AbortController(), new AbortController()];
    const first = kept.get('page', make, one.signal);
    const second = kept.get('page', make, two.signal);
    one.abort();
    expect(told!.aborted).toBe(false);
    two.abort();
    expect(told!.aborted).toBe(true);
    gate.resolve('done');
    expect(await Promise.all([first, second])).toEqual(['done', 'done']);
    expect(made).toBe(1);
    expect(await kept.get('page', () => Promise.resolve('again'))).toBe('again');
    await expect(kept.get('bad', () => Promise.reject(new Error('no')))).rejects.toThrow('no');
    expect(await kept.get('bad', () => Promise.resolve('yes'))).toBe('yes');
  });
});

it('hosts that are answered are loopback, the one that is served, and those that were allowed', () => {
  const env = (more: Record<string, string> = {}) => more as unknown as NodeJS.ProcessEnv;
  for (const host of ['localhost', 'localhost:3000', '127.0.0.1:80', '[::1]:3000']) expect(isAllowedHost(host, env())).toBe(true);
  for (const host of [null, '', 'evil.example', '127.0.0.1.evil.example', 'localhost.evil.example:3000'])
    expect(isAllowedHost(host, env())).toBe(false);
  expect(isAllowedHost('kite.example:8080', env({ HOST: 'kite.example' }))).toBe(true);
  expect(isAllowedHost('anything', env({ HOST: '0.0.0.0' }))).toBe(false);
  expect(isAllowedHost('Desk.Example', env({ ALLOWED_HOSTS: 'other, desk.example' }))).toBe(true);
  expect(isAllowedHost('anything', env({ ALLOWED_HOSTS: '*' }))).toBe(true);
});

describe('the door', () => {
  const files = (name: string) =>
    readdirSync('app', { recursive: true, encoding: 'utf8' })
      .filter((path) => path.endsWith(`/${name}`) || path === name)
      .map((path) => ({ path, text: readFileSync(`app/${path}`, 'utf8') }));

  it('is passed by every route', () => {
    const routes = files('route.ts');
    expect(routes.length).toBeGreaterThan(15);
    for (const { path, text } of routes) {
      const exported = [...text.matchAll(/^export (?!const dynamic\b)(.*)$/gm)].map(([, rest]) => rest!);
      expect(exported.length, path).toBeGreaterThan(0);
      for (const each of exported) expect(each, path).toMatch(/^const (GET|POST|PUT|PATCH|DELETE) = handler\(/);
    }
  });

  it('is passed by every page', () => {
    const pages = files('page.tsx');
    expect(pages.length).toBeGreaterThan(9);
    for (const { path, text } of pages) expect(text, path).toMatch(/^export default guarded\(/m);
  });
});

describe('what could not be written', () => {
  it('is said in a sentence where the disk is full, and as it is otherwise', () => {
    // PostgreSQL, Appendix A: 53100 is disk_full; 53200 is out_of_memory.
    expect(reasonOf(Object.assign(new Error('could not extend file "base/5/16384"'), { code: '53100' }))).toBe(DISK_FULL);
    expect(reasonOf(Object.assign(new Error('write failed'), { code: 'ENOSPC' }))).toBe(DISK_FULL);
    expect(reasonOf(Object.assign(new Error('out of memory'), { code: '53200' }))).toBe('out of memory');
    expect(reasonOf(null)).toBe('null');
  });
});
