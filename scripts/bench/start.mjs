import { spawn } from 'node:child_process';
import { build } from 'esbuild';
import { ensureBuild } from '../setup/build.mjs';

/** `npm run bench`: the benchmark as the application runs it, bundled and without what a development loader adds. */
await ensureBuild(process.cwd());
await build({
  entryPoints: ['scripts/bench/run.ts', 'scripts/bench/part.ts'],
  outdir: '.build/bench',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  splitting: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  tsconfig: 'tsconfig.json',
  logLevel: 'warning',
});
const child = spawn(process.execPath, ['.build/bench/run.mjs'], { stdio: 'inherit' });
child.once('exit', (code) => (process.exitCode = code ?? 1));
