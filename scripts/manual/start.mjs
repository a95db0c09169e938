import { spawn } from 'node:child_process';
import { ensureBuild } from '../setup/build.mjs';

/** `npm run manual`: the application is built first where it is not. */
await ensureBuild(process.cwd());
const child = spawn(process.execPath, ['--import', 'tsx', 'scripts/manual/make.ts'], { stdio: 'inherit' });
child.once('exit', (code) => (process.exitCode = code ?? 1));
