import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import pg from 'pg';
import { scratch } from './programs';

/** A cluster as `scripts/setup/cluster.mjs` starts it. */
export interface Cluster {
  readonly url: string;
  readonly port: number;
  stop(): Promise<void>;
  kill(): Promise<void>;
}

interface ClusterModule {
  startCluster(folder: string): Promise<Cluster>;
  freePort(): Promise<number>;
}

const setup = async (): Promise<ClusterModule> => (await import('../../scripts/setup/cluster.mjs' as string)) as ClusterModule;

/** A PostgreSQL of a test's own. */
export async function openCluster(folder?: string): Promise<Cluster & { folder: string }> {
  const at = folder ?? (await scratch());
  if (!folder) await (await import('node:fs/promises')).chmod(at, 0o755);
  const cluster = await (await setup()).startCluster(at);
  return { ...cluster, folder: at };
}

export interface Server {
  readonly origin: string;
  readonly process: ChildProcess;
  stop(): Promise<void>;
  kill(): Promise<void>;
}

/** The houses that ship with the application, simulated. */
export interface StandIns {
  /** The address of the wire’s feed. */
  readonly wire: string;
  /** Where the picture agency is. */
  readonly agency: string;
  /** Where the print shop is. */
  readonly press: string;
  stop(): void;
}

export async function openStandIns(): Promise<StandIns> {
  const { startStandIns } = (await import('../../scripts/setup/standIns.mjs' as string)) as {
    startStandIns(root: string, port: number): Promise<StandIns>;
  };
  return startStandIns(process.cwd(), await (await setup()).freePort());
}

/** The built application, serving a database. @param env what it is told besides */
export async function openServer(databaseUrl: string, at?: number, env: Readonly<Record<string, string>> = {}): Promise<Server> {
  const port = at ?? (await (await setup()).freePort());
  const child = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)], {
    env: { ...process.env, ...env, DATABASE_URL: databaseUrl, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1' },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let log = '';
  child.stderr!.on('data', (piece) => (log += piece));
  await new Promise<void>((resolve, reject) => {
    child.stdout!.on('data', (piece) => {
      log += piece;
      if (String(piece).includes('Ready')) resolve();
    });
    child.once('exit', () => reject(new Error(`The server could not be started:\n${log}`)));
  });
  const end = async (signal: NodeJS.Signals) => {
    if (child.exitCode !== null || child.signalCode !== null) return;
    const gone = once(child, 'exit');
    child.kill(signal);
    // A server that is asked to end waits for browsers that keep their connections; it holds nothing that could be lost.
    const timer = setTimeout(() => child.kill('SIGKILL'), 1_000);
    await gone;
    clearTimeout(timer);
  };
  return { origin: `http://127.0.0.1:${port}`, process: child, stop: () => end('SIGTERM'), kill: () => end('SIGKILL') };
}

/** Runs a script of the project against a database. */
export async function runScript(script: string, databaseUrl: string): Promise<string> {
  const child = spawn(process.execPath, ['--import', 'tsx', script], {
    env: { ...process.env, DATABASE_URL: databaseUrl },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let out = '';
  let error = '';
  child.stdout.on('data', (piece) => (out += piece));
  child.stderr.on('data', (piece) => (error += piece));
  const [code] = (await once(child, 'close')) as [number];
  if (code !== 0) throw new Error(error);
  return out;
}

/** Asks a database one question. */
export async function query<T extends object>(databaseUrl: string, sql: string, values: unknown[] = []): Promise<T[]> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  try {
    return (await client.query<T>(sql, values)).rows;
  } finally {
    await client.end();
  }
}
