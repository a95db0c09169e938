import { build } from 'esbuild';

/** The typesetting thread of the server and the process that reads files, with the core in them and packages beside them. */
await build({
  entryPoints: { 'typesetting.worker': 'src/services/typesetting/worker.ts', reader: 'src/services/reading/reader.ts' },
  outdir: '.build',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  tsconfig: 'tsconfig.json',
  logLevel: 'warning',
});
