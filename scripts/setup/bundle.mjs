import { build } from 'esbuild';

/** The processes that typeset and that read files, with the core in them and packages beside them. */
await build({
  entryPoints: { typesetting: 'src/services/typesetting/process.ts', reader: 'src/services/reading/reader.ts' },
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
