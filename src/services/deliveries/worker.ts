import { parentPort, workerData } from 'node:worker_threads';
import { pool } from '@/store/pool';
import { makeDelivery } from './make';
import { pagePicture } from './preview';

/** What a typesetting thread is started for. Bundled on its own into `.build/`, with the same core as the browser's. */
export type WorkerJob =
  | { readonly job: 'delivery'; readonly id: string }
  | { readonly job: 'preview'; readonly document: string; readonly page: number; readonly width: number };

const job = workerData as WorkerJob;
try {
  if (job.job === 'delivery') await makeDelivery(job.id);
  else parentPort!.postMessage(await pagePicture(job.document, job.page, job.width));
} finally {
  await pool().end();
}
