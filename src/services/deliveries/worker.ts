import { parentPort, workerData } from 'node:worker_threads';
import { pool } from '@/store/pool';
import { makeDelivery } from './make';
import type { PublicationKind } from '@/core/plan/startingHouse';
import { designPictures, pagePicture } from './preview';

/** What a typesetting thread is started for. Bundled on its own into `.build/`, with the same core as the browser's. */
export type WorkerJob =
  | { readonly job: 'delivery'; readonly id: string }
  | { readonly job: 'preview'; readonly document: string; readonly page: number; readonly width: number }
  | { readonly job: 'design'; readonly kind: PublicationKind; readonly palette: number; readonly width: number };

const job = workerData as WorkerJob;
try {
  if (job.job === 'delivery') await makeDelivery(job.id);
  else if (job.job === 'design') parentPort!.postMessage(await designPictures(job.kind, job.palette, job.width));
  else parentPort!.postMessage(await pagePicture(job.document, job.page, job.width));
} finally {
  await pool().end();
}
