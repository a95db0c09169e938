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
import { say, Stop, stopWith } from './setup/say.mjs';

/** `npm start`: does all the set-up that is missing and runs the application. */
const root = dirname(dirname(fileURLToPath(import.meta.url)));
const host = process.env.HOST ?? '127.0.0.1';
const port = Number(process.env.PORT ?? 3000);
const fresh = process.argv.includes('--fresh');

let cluster;
let server;
let ending;

function end() {
  ending ??= (async () => {
    if (server && server.exitCode === null && server.signalCode === null) {
      const gone = new Promise((resolve) => server.once('exit', resolve));
      server.kill('SIGTERM');
      // It waits for browsers that keep their connections open, and holds nothing that could be lost.
      const timer = setTimeout(() => server.kill('SIGKILL'), 1_500);
      await gone;
      clearTimeout(timer);
    }
    await cluster?.stop();
  })();
  return ending;
}

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
  process.on(signal, () => {
    say('\nStopping. The data stays.');
    void end().then(() => process.exit(0));
  });
}

async function checkPort() {
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new Stop(`PORT is a number from 1 to 65535, not “${process.env.PORT}”.`);
  await new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', () => reject(new Stop(`Port ${port} is taken. Choose another: PORT=3001 npm start`)));
    probe.listen(port, host, () => probe.close(resolve));
  });
}

try {
  await checkPort();
  await ensurePackages(process.env.DATABASE_URL ? [] : TO_RUN);
  await ensureModules(root);
  await ensureFonts(root);
  let url = process.env.DATABASE_URL;
  const folder = await dataFolder(root);
  if (!url) {
    if (fresh) await rm(join(folder, 'postgres'), { recursive: true, force: true });
    say(`Starting PostgreSQL; its data lies in ${join(folder, 'postgres')} …`);
    cluster = await startCluster(folder);
    url = cluster.url;
    void cluster.ended.then(() => {
      if (!ending) {
        process.stderr.write('PostgreSQL has stopped, so the application stops too. What was stored is safe; start again.\n');
        process.exitCode = 1;
        void end();
      }
    });
  }
  const env = { DATABASE_URL: url };
  const tsx = (script, ...args) => run(process.execPath, ['--import', 'tsx', script, ...args], { cwd: root, env });
  const migrated = (await tsx('scripts/migrate.ts')).trim();
  if (migrated) say(`Database brought up to date: ${migrated}`);
  const seeded = (await tsx('scripts/seed.ts', ...(fresh ? ['--fresh'] : []))).trim();
  if (seeded) say(seeded);
  await ensureBuild(root);
  server = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '-H', host, '-p', String(port)], {
    cwd: root,
    env: { ...process.env, ...env, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
    stdio: ['ignore', 'pipe', 'inherit'],
    detached: true,
  });
  await new Promise((resolve, reject) => {
    server.once('exit', () => reject(new Stop('The server could not be started.')));
    server.stdout.on('data', (piece) => String(piece).includes('Ready') && resolve());
  });
  say(`Restless Kite is at http://${host}:${port}  (Ctrl+C ends it)`);
  server.once('exit', () => {
    if (!ending) process.exitCode = 1;
    void end();
  });
} catch (error) {
  stopWith(error);
  await end();
  process.exit(1);
}
