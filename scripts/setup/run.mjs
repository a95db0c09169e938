import { spawn } from 'node:child_process';
import { Stop } from './say.mjs';

/**
 * Runs a program to its end.
 * @param options `quiet` keeps its output back unless it fails
 * @returns what it printed
 * @throws Stop with the end of its output when it fails
 */
export function run(program, args, { quiet = true, cwd, env } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(program, args, {
      cwd,
      env: { ...process.env, ...env },
      stdio: quiet ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'],
    });
    let output = '';
    child.stdout?.on('data', (piece) => (output += piece));
    child.stderr?.on('data', (piece) => (output += piece));
    child.once('error', (error) => reject(new Stop(`${program} could not be started: ${error.message}`)));
    child.once('close', (code) =>
      code === 0
        ? resolve(output)
        : reject(new Stop(`${program} ${args.join(' ')} failed:\n${output.split('\n').slice(-30).join('\n')}`)),
    );
  });
}

/** Whether a program is on the path. */
export async function has(program) {
  return run('sh', ['-c', `command -v ${program}`]).then(
    () => true,
    () => false,
  );
}
