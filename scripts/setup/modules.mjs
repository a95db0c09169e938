import { createHash } from 'node:crypto';
import { existsSync } from 'node:fs';
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { run } from './run.mjs';
import { say } from './say.mjs';

/** Runs `npm ci` when the lock file is not the one that was last installed. */
export async function ensureModules(root) {
  const digest = createHash('sha256')
    .update(await readFile(join(root, 'package-lock.json')))
    .digest('hex');
  const mark = join(root, 'node_modules', '.installed');
  const done = existsSync(mark) && (await readFile(mark, 'utf8')) === digest;
  if (done) return;
  say('Installing the packages of the npm registry …');
  // Next.js brings development tools' types at build time, so that both commands need all of them.
  await run('npm', ['ci', '--include=dev', '--no-audit', '--no-fund'], { cwd: root });
  await mkdir(join(root, 'node_modules'), { recursive: true });
  await writeFile(mark, digest);
}
