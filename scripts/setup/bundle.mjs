import { build } from 'esbuild';

/** The typesetting thread of the server, with the core in it and packages beside it. */
await build({
  entryPoints: ['src/services/deliveries/worker.ts'],
  outfile: '.build/typesetting.worker.mjs',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  tsconfig: 'tsconfig.json',
  logLevel: 'warning',
});
