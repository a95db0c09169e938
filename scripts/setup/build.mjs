import { createHash } from 'node:crypto';
import { existsSync } from 'node:fs';
import { copyFile, mkdir, readdir, readFile, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { run } from './run.mjs';
import { say } from './say.mjs';

/** What the build is made from. */
const SOURCES = [
  'app',
  'src',
  'scripts/setup/bundle.mjs',
  'proxy.ts',
  'next.config.ts',
  'postcss.config.mjs',
  'tsconfig.json',
  'package-lock.json',
];

/** What the pictures of the starting designs are made from. */
const DRAWN_FROM = ['src/core', 'src/formats', 'src/services/typesetting', 'scripts/drawDesigns.ts', 'package-lock.json'];

async function digestOf(root, sources) {
  const hash = createHash('sha256');
  const walk = async (path) => {
    const full = join(root, path);
    const info = await stat(full);
    if (info.isDirectory()) {
      for (const name of (await readdir(full)).sort()) await walk(join(path, name));
    } else if (!/\.test\.tsx?$/.test(path)) hash.update(path).update(await readFile(full));
  };
  for (const source of sources) if (existsSync(join(root, source))) await walk(source);
  return hash.digest('hex');
}

/** Puts the faces that ship with the packages where the browser finds them, each under its id. */
export async function ensureFonts(root) {
  const folder = join(root, 'public', 'fonts');
  await mkdir(folder, { recursive: true });
  const listed = JSON.parse(await run(process.execPath, ['--import', 'tsx', 'scripts/listFonts.ts'], { cwd: root }));
  for (const { id, path } of listed) {
    const to = join(folder, `${id}.ttf`);
    if (!existsSync(to) || (await stat(to)).size !== (await stat(path)).size) await copyFile(path, to);
  }
}

/** Builds for production when the sources are not those of the last build. */
export async function ensureBuild(root) {
  const digest = await digestOf(root, SOURCES);
  const mark = join(root, '.next', 'built-from');
  const isThere = [
    ['.build', 'reader.mjs'],
    ['public', 'designs', 'drawn-from'],
  ].every((path) => existsSync(join(root, ...path)));
  if (existsSync(mark) && isThere && (await readFile(mark, 'utf8')) === digest) return;
  say('Building …');
  await ensureFonts(root);
  // The pages name the workers, which are there first.
  await run(process.execPath, ['scripts/setup/bundle.mjs'], { cwd: root });
  await Promise.all([
    run(process.execPath, ['node_modules/next/dist/bin/next', 'build'], { cwd: root, env: { NEXT_TELEMETRY_DISABLED: '1' } }),
    ensureDesigns(root),
  ]);
  await writeFile(mark, digest);
}

/** Draws the pictures of the starting designs when they are not as they would be drawn now. */
async function ensureDesigns(root) {
  const digest = await digestOf(root, DRAWN_FROM);
  const folder = join('public', 'designs');
  const mark = join(root, folder, 'drawn-from');
  if (existsSync(mark) && (await readFile(mark, 'utf8')) === digest) return;
  await run(process.execPath, ['--import', 'tsx', 'scripts/drawDesigns.ts', folder], { cwd: root });
  await writeFile(mark, digest);
}
