import { chmod, mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { ensureBuild, ensureFonts } from './setup/build.mjs';
import { ensureModules } from './setup/modules.mjs';
import { ensurePackages, TO_TEST } from './setup/packages.mjs';
import { say, stopWith } from './setup/say.mjs';

/** `npm test`: installs what it needs, checks style and types, runs every test, and ends with `N passed, N failed`. */
const root = dirname(dirname(fileURLToPath(import.meta.url)));
const node = process.execPath;

/** Runs a step with its output in sight; gives whether it went well. */
function step(name, args) {
  say(`\n— ${name}`);
  return new Promise((resolve) => {
    const child = spawn(node, args, {
      cwd: root,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, NODE_ENV: 'test' },
    });
    child.once('error', () => resolve(false));
    child.once('exit', (code) => resolve(code === 0));
  });
}

let passed = 0;
let failed = 0;
const count = (ok) => (ok ? passed++ : failed++);

try {
  process.chdir(root);
  await ensurePackages(TO_TEST);
  await ensureModules(root);
  await ensureFonts(root);
  count(await step('Style', ['node_modules/eslint/bin/eslint.js', '.', '--max-warnings', '0']));
  count(await step('Format', ['node_modules/prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.']));
  say('\n— Build');
  await ensureBuild(root);
  count(await step('Types', ['node_modules/typescript/bin/tsc', '--noEmit']));
  const scratch = await mkdtemp(join(tmpdir(), 'kite-test-'));
  await chmod(scratch, 0o755);
  // What drives a browser runs by itself: it is to be judged by what it does, not by what else the machine is doing.
  for (const [name, projects] of [
    ['Tests of the parts', ['unit', 'reference', 'database']],
    ['Tests in the browser', ['browser']],
  ]) {
    const report = join(scratch, `${projects[0]}.json`);
    const chosen = projects.map((project) => `--project=${project}`);
    await step(name, [
      'node_modules/vitest/vitest.mjs',
      'run',
      ...chosen,
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${report}`,
    ]);
    const result = JSON.parse(await readFile(report, 'utf8'));
    passed += result.numPassedTests;
    // A file that could not be run at all counts as a failure of its own.
    failed +=
      result.numFailedTests +
      result.testResults.filter((file) => file.status === 'failed' && file.assertionResults.length === 0).length;
    if (result.numTotalTests === 0) failed++;
  }
  await rm(scratch, { recursive: true, force: true });
} catch (error) {
  stopWith(error);
  failed++;
}
say(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed > 0 ? 1 : 0;
