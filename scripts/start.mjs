import { spawn } from 'node:child_process';
import { rm } from 'node:fs/promises';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureBuild, ensureFonts } from './setup/build.mjs';
import { dataFolder, startCluster } from './setup/cluster.mjs';
import { ensureModules } from './setup/modules.mjs';
import { ensurePackages, TO_RUN } from './setup/packages.mjs';
import { run } from './setup/run.mjs';
import { endLeftBehind, forgetRunning, noteRunning, whenParentGoes } from './setup/running.mjs';
import { say, Stop, stopWith } from './setup/say.mjs';
import { startStandIns } from './setup/standIns.mjs';

/** `npm start`: does all the set-up that is missing and runs the application. */
const root = dirname(dirname(fileURLToPath(import.meta.url)));
const host = process.env.HOST ?? '127.0.0.1';
const port = Number(process.env.PORT ?? 3000);
const fresh = process.argv.includes('--fresh');

/** A server or database that ends by itself is started again, so often within so many milliseconds. */
const MOST_RESTARTS = 5;
const WITHIN = 60_000;

/** Where the simulated houses listen: always at the same place, since publications remember it. */
const standInsPort = Number(process.env.STAND_INS_PORT ?? port + 7);

let cluster;
let server;
let standIns;
let ending;
let folder;
const restarts = [];

function end() {
  ending ??= (async () => {
    await endServer();
    standIns?.stop();
    await cluster?.stop();
    if (folder) await forgetRunning(folder);
  })();
  return ending;
}

async function endServer() {
  if (!server || server.exitCode !== null || server.signalCode !== null) return;
  const gone = new Promise((resolve) => server.once('exit', resolve));
  server.kill('SIGTERM');
  // It waits for browsers that keep their connections open, and holds nothing that could be lost.
  const timer = setTimeout(() => server.kill('SIGKILL'), 1_500);
  await gone;
  clearTimeout(timer);
}

const stopAll = () => {
  if (ending) return;
  say('\nStopping. The data stays.');
  void end().then(() => process.exit(0));
};
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, stopAll);
if (process.env.npm_lifecycle_event) whenParentGoes(stopAll);

function checkPort() {
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new Stop(`PORT is a number from 1 to 65535, not “${process.env.PORT}”.`);
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', () => reject(new Stop(`Port ${port} is taken. Choose another: PORT=3001 npm start`)));
    probe.listen(port, host, () => probe.close(resolve));
  });
}

/** Whether something that ended by itself is to be started again; else everything ends. */
function again(what) {
  const now = Date.now();
  restarts.push(now);
  while (restarts[0] < now - WITHIN) restarts.shift();
  if (restarts.length <= MOST_RESTARTS) {
    say(`${what} has ended by itself and is started again. What was stored is safe.`);
    return true;
  }
  process.stderr.write(`${what} keeps ending, so the application stops. What was stored is safe.\n`);
  process.exitCode = 1;
  void end();
  return false;
}

async function runCluster(at) {
  cluster = await startCluster(folder, at);
  void cluster.ended.then(async () => {
    if (!ending && again('PostgreSQL')) await runCluster(cluster.port).catch(failed);
  });
}

async function runServer(env) {
  server = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '-H', host, '-p', String(port)], {
    cwd: root,
    env: { ...process.env, ...env, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
    stdio: ['ignore', 'pipe', 'inherit'],
    detached: true,
  });
  await noteRunning(folder, { port, server: server.pid });
  let ready = false;
  await new Promise((resolve, reject) => {
    server.once('exit', () => (ready ? undefined : reject(new Stop('The server could not be started.'))));
    server.stdout.on('data', (piece) => {
      if (String(piece).includes('Ready')) resolve((ready = true));
    });
  });
  server.once('exit', async () => {
    if (!ending && again('The server')) await runServer(env).catch(failed);
  });
  if (ending) await endServer();
}

async function failed(error) {
  stopWith(error);
  await end();
  process.exit(1);
}

try {
  folder = await dataFolder(root);
  await endLeftBehind(folder);
  await checkPort();
  await ensurePackages(process.env.DATABASE_URL ? [] : TO_RUN);
  await ensureModules(root);
  await ensureFonts(root);
  let url = process.env.DATABASE_URL;
  if (!url) {
    if (fresh) await rm(join(folder, 'postgres'), { recursive: true, force: true });
    say(`Starting PostgreSQL; its data lies in ${join(folder, 'postgres')} …`);
    await runCluster();
    url = cluster.url;
  }
  await noteRunning(folder, { port });
  const env = { DATABASE_URL: url };
  const tsx = (script, ...args) => run(process.execPath, ['--import', 'tsx', script, ...args], { cwd: root, env });
  const migrated = (await tsx('scripts/migrate.ts')).trim();
  if (migrated) say(`Database brought up to date: ${migrated}`);
  const seeded = (await tsx('scripts/seed.ts', ...(fresh ? ['--fresh'] : []))).trim();
  if (seeded) say(seeded);
  await ensureBuild(root);
  standIns = await startStandIns(root, standInsPort).catch((error) => {
    say(`The news wire and the picture agency that ship do not run: ${error.message}`);
    return undefined;
  });
  await runServer({
    ...env,
    ...(standIns ? { WIRE_URL: standIns.wire, AGENCY_URL: standIns.agency, PRINT_SHOP_URL: standIns.press } : {}),
  });
  say(`Restless Kite is at http://${host}:${port}  (Ctrl+C ends it)`);
} catch (error) {
  await failed(error);
}
