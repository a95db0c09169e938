import { createHash } from 'node:crypto';
import { mkdir, readFile, rm, writeFile } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { build } from 'esbuild';

/** What is built beside the pages: the processes of the server, and the workers of the browser. */
const shared = { bundle: true, format: 'esm', tsconfig: 'tsconfig.json', logLevel: 'warning' };

/** The processes that typeset and that read files, with the core in them and packages beside them. */
await build({
  ...shared,
  entryPoints: { typesetting: 'src/services/typesetting/process.ts', reader: 'src/services/reading/reader.ts' },
  outdir: '.build',
  outExtension: { '.js': '.mjs' },
  platform: 'node',
  target: 'node20',
  packages: 'external',
});

/**
 * The workers, in a folder named for what is in them, so that a browser keeps them for good. Their place is known
 * before any script of a page is: the page's head can start one.
 */
const { outputFiles } = await build({
  ...shared,
  entryPoints: {
    compose: 'src/client/compose.worker.ts',
    typeSheet: 'src/client/typeSheet.worker.ts',
    spelling: 'src/client/spelling.worker.ts',
  },
  outdir: 'public/workers',
  platform: 'browser',
  target: 'es2022',
  minify: true,
  splitting: true,
  // HarfBuzz’s loader asks for it where it finds itself in Node, and nowhere else.
  external: ['module', 'fs/promises', 'path', 'url', 'fs'],
  write: false,
});
const files = [
  ...outputFiles.map(({ path, contents }) => ({ name: basename(path), contents })),
  // It is looked for beside the script.
  { name: 'harfbuzz.wasm', contents: await readFile('node_modules/harfbuzzjs/dist/harfbuzz.wasm') },
  { name: 'hunspell.wasm', contents: await readFile('node_modules/hunspell-wasm/wasm/hunspell.wasm') },
  ...(await Promise.all(
    ['en-gb', 'en', 'de', 'fr'].flatMap((name) =>
      ['aff', 'dic'].map(async (kind) => ({
        name: `${name}.${kind}`,
        contents: await readFile(`node_modules/dictionary-${name}/index.${kind}`),
      })),
    ),
  )),
];
const hash = createHash('sha256');
for (const { name, contents } of files) hash.update(name).update(contents);
const folder = hash.digest('hex').slice(0, 16);
await rm('public/workers', { recursive: true, force: true });
await mkdir(join('public/workers', folder), { recursive: true });
for (const { name, contents } of files) await writeFile(join('public/workers', folder, name), contents);
await writeFile('.build/workers.json', JSON.stringify({ at: `/workers/${folder}` }));
