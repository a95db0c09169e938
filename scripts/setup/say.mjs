/** Progress in plain lines. */
export const say = (line) => process.stdout.write(`${line}\n`);

/** Ends a script with one sentence on standard error. */
export class Stop extends Error {}

export function stopWith(error) {
  process.stderr.write(`${error instanceof Stop ? error.message : (error?.stack ?? error)}\n`);
  process.exitCode = 1;
}
