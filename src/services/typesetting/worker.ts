import { parentPort, workerData } from 'node:worker_threads';
import type { PublicationKind } from '@/core/plan/startingHouse';
import { pool } from '@/store/pool';
import { makeDelivery } from './delivery';
import { designPictures, drawPage } from './pictures';

/** What a typesetting thread is started for. Bundled on its own into `.build/`, with the same core as the browser's. */
export type ThreadOrder =
  | { readonly job: 'delivery'; readonly id: string }
  | { readonly job: 'page'; readonly document: string; readonly page: number; readonly width: number }
  | { readonly job: 'design'; readonly kind: PublicationKind; readonly palette: number; readonly width: number };

const order = workerData as ThreadOrder;
try {
  let made: unknown = null;
  if (order.job === 'delivery') await makeDelivery(order.id);
  else if (order.job === 'page') await drawPage(order.document, order.page, order.width);
  else made = await designPictures(order.kind, order.palette, order.width);
  parentPort!.postMessage(made);
} finally {
  await pool().end();
}
