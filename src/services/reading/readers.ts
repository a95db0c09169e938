import { type ChildProcess, fork } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { plainName, RefusedFileError } from '@/formats/refused';
import { Queue } from '../queue';
import type { ReadingAnswer, ReadingJob, ReadingResults } from './jobs';

/** Files read at the same time: a core is left for those who work. */
const AT_ONCE = Math.max(1, Math.min(2, cpus().length - 1));

/** Milliseconds a file may take, and each further step of it, before it is given up. */
const PATIENCE = 10_000;

/** Steps that a file may take longer for. */
const MOST_STEPS = 4;

/** Bytes that the process may hold, and megabytes of them in JavaScript's own heap. */
const MOST_BYTES = 1_600_000_000;
const HEAP = 768;

/** Milliseconds between two looks at how much it holds. */
const LOOK = 100;

const queue = new Queue(AT_ONCE);
const idle: ChildProcess[] = [];

/**
 * Reads a file in a process of its own, with limits on time and memory.
 * @throws RefusedFileError with a sentence when it cannot be taken, or takes too long or too much
 */
export function inReader<J extends ReadingJob['job']>(
  job: Extract<ReadingJob, { job: J }>,
  signal?: AbortSignal,
): Promise<ReadingResults[J]> {
  return queue.run(() => read(job), signal) as Promise<ReadingResults[J]>;
}

function started(): ChildProcess {
  const bundle = [process.cwd(), '.build', 'reader.mjs'].join('/');
  const child = fork(/* turbopackIgnore: true */ bundle, [], {
    serialization: 'advanced',
    execArgv: [`--max-old-space-size=${HEAP}`],
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    // Memory that is given back is given back to the system, so that what is held is what is in use.
    env: { ...process.env, DATABASE_URL: '', MALLOC_ARENA_MAX: '2' },
  });
  child.unref();
  child.channel?.unref();
  return child;
}

function read(job: ReadingJob): Promise<ReadingResults[keyof ReadingResults]> {
  const child = idle.pop() ?? started();
  const name = 'name' in job ? plainName(job.name) : 'The drawing';
  return new Promise((resolve, reject) => {
    let steps = 0;
    let timer: NodeJS.Timeout;
    const looking = setInterval(() => {
      if (bytesOf(child) > MOST_BYTES) stop(`“${name}” needs more memory to be read than it may have, so it was not taken.`, 413);
    }, LOOK);
    const wait = () => {
      clearTimeout(timer);
      timer = setTimeout(() => stop(`“${name}” takes too long to be read, so it was not taken.`, 422), PATIENCE);
    };
    const done = (again: boolean) => {
      clearTimeout(timer);
      clearInterval(looking);
      child.removeAllListeners();
      if (again && idle.length < AT_ONCE) {
        child.unref();
        child.channel?.unref();
        idle.push(child);
      } else child.kill('SIGKILL');
    };
    const stop = (message: string, status: 413 | 422) => {
      done(false);
      reject(new RefusedFileError(message, status));
    };
    child.on('message', (answer: ReadingAnswer) => {
      if (answer.type === 'step') {
        if (++steps <= MOST_STEPS) wait();
        return;
      }
      // One that has swollen is not used again.
      done(bytesOf(child) < MOST_BYTES / 4);
      if (answer.type === 'done') resolve(answer.result);
      else if (answer.type === 'refused') reject(new RefusedFileError(answer.message, answer.status));
      else {
        // Nobody foresaw it: whoever brought the file is told what can be told, and the server keeps the reason.
        console.error(`Reading “${name}” failed: ${answer.message}`);
        reject(new RefusedFileError(`“${name}” could not be read: it is damaged.`, 422));
      }
    });
    child.on('exit', () => stop(`“${name}” could not be read: it is damaged, or holds more than can be taken.`, 422));
    child.on('error', () => stop(`“${name}” could not be read.`, 422));
    child.channel?.ref();
    wait();
    child.send(job, (error) => error && stop(`“${name}” could not be read.`, 422));
  });
}

/** Bytes of memory that a process holds (proc(5), `statm`); 0 where the system does not tell. */
function bytesOf({ pid }: ChildProcess): number {
  try {
    return Number(readFileSync(`/proc/${pid}/statm`, 'utf8').split(' ')[1]) * 4096;
  } catch {
    return 0;
  }
}
