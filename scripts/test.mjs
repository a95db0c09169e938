import { chmod, mkdtemp, readFile, rm } from 'node:fs/promises';
import { availableParallelism, tmpdir } from 'node:os';
import { dirname, join, relative } from 'node:path';
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
/** What failed, with the first lines of why: said again at the very end, where it is looked for. @type {string[]} */
const failures = [];

/** Runs a step that passes or fails as a whole. */
async function stepToPass(name, args) {
  if (await step(name, args)) passed++;
  else failures.push(name);
}

/** The start of what a test said when it failed. */
const why = (message = '') => message.split('\n').slice(0, 4).join('\n    ');

/** Counts the tests of a Vitest report; a file that could not be run at all is a failure of its own. */
function countTests(report) {
  passed += report.numPassedTests;
  if (report.numTotalTests === 0) failures.push('No test was found');
  for (const file of report.testResults) {
    const place = relative(root, file.name);
    const broken = file.assertionResults.filter((test) => test.status === 'failed');
    for (const test of broken) failures.push(`${place}: ${test.fullName}\n    ${why(test.failureMessages[0])}`);
    if (file.status === 'failed' && broken.length === 0) failures.push(`${place}\n    ${why(file.message)}`);
  }
}

try {
  process.chdir(root);
  await ensurePackages(TO_TEST);
  await ensureModules(root);
  await ensureFonts(root);
  await stepToPass('Style', ['node_modules/eslint/bin/eslint.js', '.', '--max-warnings', '0']);
  await stepToPass('Format', ['node_modules/prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.']);
  say('\n— Build');
  await ensureBuild(root);
  await stepToPass('Types', ['node_modules/typescript/bin/tsc', '--noEmit']);
  const scratch = await mkdtemp(join(tmpdir(), 'kite-test-'));
  await chmod(scratch, 0o755);
  // What drives a browser runs by itself: it is to be judged by what it does, not by what else the machine is doing.
  for (const [name, projects, workers] of [
    // Vitest would leave a core free for somebody who watches.
    ['Tests of the parts', ['unit', 'reference', 'database'], availableParallelism()],
    ['Tests in the browser', ['browser'], 1],
  ]) {
    const report = join(scratch, `${projects[0]}.json`);
    const chosen = projects.map((project) => `--project=${project}`);
    await step(name, [
      'node_modules/vitest/vitest.mjs',
      'run',
      ...chosen,
      `--maxWorkers=${workers}`,
      `--minWorkers=${workers}`,
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${report}`,
    ]);
    countTests(JSON.parse(await readFile(report, 'utf8')));
  }
  await rm(scratch, { recursive: true, force: true });
} catch (error) {
  stopWith(error);
  failures.push('What the tests need could not be set up');
}
if (failures.length > 0) say(`\n— Failed\n${failures.map((failure) => `  ${failure}`).join('\n')}`);
say(`\n${passed} passed, ${failures.length} failed`);
process.exitCode = failures.length > 0 ? 1 : 0;
