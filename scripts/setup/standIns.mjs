import { spawn } from 'node:child_process';
import { Stop } from './say.mjs';

/**
 * Starts the simulated houses that ship: a process of their own that ends with this one.
 * @returns where the feed of the news wire, the picture agency and the print shop are, and how they are stopped
 * @throws Stop where they cannot listen at the port
 */
export async function startStandIns(root, port) {
  const child = spawn(process.execPath, ['--import', 'tsx', 'standIns/serve.ts'], {
    cwd: root,
    env: { ...process.env, PORT: String(port), DATABASE_URL: '' },
    stdio: ['pipe', 'pipe', 'inherit'],
  });
  await new Promise((resolve, reject) => {
    child.once('exit', () => reject(new Stop(`nothing can listen at port ${port}.`)));
    child.stdout.on('data', (piece) => {
      if (String(piece).startsWith('Ready')) resolve();
    });
  });
  child.unref();
  child.stdout.unref();
  child.stdin.unref();
  const at = `http://127.0.0.1:${port}`;
  return { wire: `${at}/wire/feed`, agency: `${at}/agency/`, press: `${at}/press/`, stop: () => void child.kill('SIGTERM') };
}
