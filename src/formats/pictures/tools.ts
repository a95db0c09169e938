import { execFile } from 'node:child_process';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/**
 * Programs of Debian that read drawings: poppler (`pdfinfo`, `pdftocairo`), Ghostscript (`gs`) and librsvg (`rsvg-convert`).
 * A drawing can be a program that does not end (PostScript) or asks for more than there is, so each run has a bound of time
 * and memory that holds even when whoever started it is gone (`prlimit`, setrlimit(2)).
 */

/** Seconds of a processor, and bytes of memory and of a file, that one run may take. */
const MOST_SECONDS = 8;
const MOST_MEMORY = 2_000_000_000;
const MOST_FILE = 400_000_000;

/** What went wrong with a program: it found the drawing wrong, or took too long. */
export class ToolError extends Error {
  override name = 'ToolError';
  readonly tooLong: boolean;

  constructor(message: string, tooLong: boolean) {
    super(message);
    this.tooLong = tooLong;
  }
}

/** Runs a program and gives what it wrote to its output. @throws ToolError */
export function runTool(program: string, args: readonly string[], cwd: string): Promise<Buffer> {
  const limits = [`--cpu=${MOST_SECONDS}`, `--as=${MOST_MEMORY}`, `--fsize=${MOST_FILE}`, '--core=0'];
  return new Promise((resolve, reject) => {
    execFile(
      'prlimit',
      [...limits, program, ...args],
      { cwd, encoding: 'buffer', maxBuffer: MOST_FILE, timeout: 1500 * MOST_SECONDS, killSignal: 'SIGKILL' },
      (error, out, said) => {
        if (!error) return resolve(out);
        const { killed, signal } = error as { killed?: boolean; signal?: string };
        reject(
          new ToolError(
            said.toString('utf8').slice(0, 2000) || error.message,
            killed === true || signal === 'SIGXCPU' || signal === 'SIGKILL',
          ),
        );
      },
    );
  });
}

/** Lets work be done in a folder of its own, with a file in it, and takes the folder away. */
export async function inFolder<T>(name: string, bytes: Uint8Array, work: (folder: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'kite-drawing-'));
  try {
    await writeFile(join(folder, name), bytes);
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
