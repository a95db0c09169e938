import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { chmod, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openCluster, query, runScript } from '../support/application';
import { scratch } from '../support/programs';

/** `npm start` as a person runs it: what ends with it, and what it does about what an earlier one left behind. */

interface Note {
  readonly start: { readonly pid: number };
  readonly server: { readonly pid: number };
}

let folder: string;
let port: number;
const running: ChildProcess[] = [];

beforeAll(async () => {
  folder = await scratch();
  await chmod(folder, 0o755);
  // A database with something in it is not filled with the demo.
  const cluster = await openCluster(folder);
  await runScript('scripts/migrate.ts', cluster.url);
  await query(cluster.url, "insert into publication (id, name, kind, frequency) values ('one', 'One', 'magazine', 'quarterly')");
  port = cluster.port;
  await cluster.stop();
});

afterAll(async () => {
  for (const each of running) await ended(each);
});

async function start(): Promise<{ npm: ChildProcess; note: Note; said: () => string }> {
  const npm = spawn('npm', ['start'], {
    env: { ...process.env, RESTLESS_KITE_DATA: folder, PORT: String(port), HOST: '127.0.0.1' },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  running.push(npm);
  let said = '';
  await new Promise<void>((resolve, reject) => {
    const hear = (piece: Buffer) => {
      said += String(piece);
      if (said.includes('Restless Kite is at')) resolve();
    };
    npm.stdout.on('data', hear);
    npm.stderr.on('data', hear);
    npm.once('exit', () => reject(new Error(`It did not start:\n${said}`)));
  });
  const note = JSON.parse(await readFile(join(folder, 'running.json'), 'utf8')) as Note;
  return { npm, note, said: () => said };
}

const lives = (pid: number): boolean => {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
};
const database = async () => Number((await readFile(join(folder, 'postgres', 'postmaster.pid'), 'utf8')).split('\n')[0]);
const answers = () =>
  fetch(`http://127.0.0.1:${port}/`).then(
    ({ status }) => status,
    () => 0,
  );

async function ended(npm: ChildProcess): Promise<void> {
  if (npm.exitCode !== null || npm.signalCode !== null) return;
  const gone = once(npm, 'exit');
  npm.kill('SIGTERM');
  await gone;
}

describe('npm start', () => {
  it('ends all it started when it is asked to end', async () => {
    const { npm, note } = await start();
    const postgres = await database();
    expect(await answers()).toBe(200);
    await ended(npm);
    await expect.poll(() => [note.start.pid, note.server.pid, postgres].filter(lives), { timeout: 15_000 }).toEqual([]);
  });

  it('starts a server and a database again that end by themselves', async () => {
    const { npm, note, said } = await start();
    process.kill(note.server.pid, 'SIGKILL');
    await expect.poll(answers, { timeout: 30_000, interval: 200 }).toBe(200);
    const postgres = await database();
    process.kill(postgres, 'SIGKILL');
    await expect.poll(answers, { timeout: 30_000, interval: 200 }).toBe(200);
    expect(await database()).not.toBe(postgres);
    expect(said()).toContain('The server has ended by itself and is started again');
    await ended(npm);
  });

  it('finds what was left behind by one that was killed, and ends it', async () => {
    const { npm, note } = await start();
    process.kill(note.start.pid, 'SIGKILL');
    if (npm.exitCode === null && npm.signalCode === null) await once(npm, 'exit');
    expect(lives(note.server.pid)).toBe(true);
    const next = await start();
    expect(next.said()).toContain('left behind');
    expect(lives(note.server.pid)).toBe(false);
    expect(await answers()).toBe(200);
    // npm itself killed: what it started ends without being told.
    const postgres = await database();
    next.npm.kill('SIGKILL');
    await expect.poll(() => [next.note.start.pid, next.note.server.pid, postgres].filter(lives), { timeout: 15_000 }).toEqual([]);
  });
});
