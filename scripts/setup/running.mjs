import { readFileSync } from 'node:fs';
import { mkdir, readFile, rm, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { say, Stop } from './say.mjs';

/** What is known of a start while it runs, so that the next one finds what it may have left behind. */
const fileOf = (folder) => join(folder, 'running.json');

/** Milliseconds a process is given to end by itself. */
const PATIENCE = 8_000;

/** When a process began, in the kernel's own count, so that another that got its number later is not taken for it. */
function begunAt(pid) {
  try {
    // The name of the program stands in brackets and may hold anything; the fields behind it are numbers (proc(5)).
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19];
  } catch {
    return undefined;
  }
}

function lives({ pid, begun }) {
  try {
    process.kill(pid, 0);
  } catch (error) {
    if (error.code !== 'EPERM') return false;
  }
  return begun === undefined || begunAt(pid) === begun;
}

const known = (pid) => ({ pid, begun: begunAt(pid) });

async function ended(one) {
  for (const until = Date.now() + PATIENCE; Date.now() < until; await pause(50)) if (!lives(one)) return true;
  return false;
}

async function endProcess(one) {
  if (!lives(one)) return;
  try {
    process.kill(one.pid, 'SIGTERM');
    if (await ended(one)) return;
    process.kill(one.pid, 'SIGKILL');
    await ended(one);
  } catch {
    // It went meanwhile.
  }
}

/** Notes what this start runs. @param server process id of the application server, once there is one */
export async function noteRunning(folder, { port, server }) {
  await mkdir(dirname(fileOf(folder)), { recursive: true });
  const note = { url: `port ${port}`, start: known(process.pid), parent: known(process.ppid), server: server && known(server) };
  await writeFile(fileOf(folder), JSON.stringify(note));
}

export const forgetRunning = (folder) => rm(fileOf(folder), { force: true });

/**
 * Ends what an earlier start on the same data left behind when it was killed. The database of it is ended where the
 * new one is started.
 * @throws Stop when that start is alive and somebody's
 */
export async function endLeftBehind(folder) {
  let note;
  try {
    note = JSON.parse(await readFile(fileOf(folder), 'utf8'));
  } catch {
    return;
  }
  if (lives(note.start)) {
    if (lives(note.parent)) throw new Stop(`Restless Kite runs already, on ${note.url}. End that first, or use it.`);
    say('An earlier start is still ending …');
    await endProcess(note.start);
  }
  if (note.server && lives(note.server)) {
    say('Ending the server that an earlier start left behind …');
    await endProcess(note.server);
  }
  await forgetRunning(folder);
}

/** Calls back once the process that started this one is gone: `npm` may be killed without passing it on. */
export function whenParentGoes(work) {
  const parent = process.ppid;
  const timer = setInterval(() => {
    if (process.ppid === parent) return;
    clearInterval(timer);
    work();
  }, 250);
  timer.unref();
}
