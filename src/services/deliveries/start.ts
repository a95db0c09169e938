import { Worker } from 'node:worker_threads';
import { format } from 'date-fns';
import { nanoid } from 'nanoid';
import { documentHead } from '@/store/documents';
import { endDelivery, findDelivery, insertDelivery, type Delivery, type DeliveryOptions } from '@/store/deliveries';
import { Kept } from '../kept';
import type { WorkerJob } from './worker';

/** The thread is a bundle of its own (`scripts/setup/bundle.mjs`): the server's bundler is not to look into it. */
function start(job: WorkerJob): Worker {
  const bundle = [process.cwd(), '.build', 'typesetting.worker.mjs'].join('/');
  return new Worker(/* turbopackIgnore: true */ bundle, { workerData: job, env: process.env });
}

/** Begins making a PDF in a thread of its own and gives the delivery to ask after. @throws NoSuchDocumentError */
export async function startDelivery(document: string, options: DeliveryOptions): Promise<Delivery> {
  const head = await documentHead(document);
  const id = nanoid(12);
  const stem = `${head.publicationName} ${head.name}`.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '');
  const fileName = `${stem}-${options.purpose}-${format(new Date(), 'yyyyMMdd-HHmm')}.pdf`;
  await insertDelivery({ id, document, seq: head.seq, options, fileName });
  const worker = start({ job: 'delivery', id });
  const failed = () =>
    void endDelivery(id, { state: 'failed', message: 'The PDF could not be made: the typesetting thread stopped.' }).catch(
      () => undefined,
    );
  worker.once('error', failed);
  worker.once('exit', failed);
  return (await findDelivery(id))!;
}

/** Stops a delivery under way; the thread notices after the page it is at. */
export async function cancelDelivery(id: string): Promise<void> {
  await endDelivery(id, { state: 'cancelled', message: 'Cancelled.' });
}

/** Pictures of pages that were made lately, by document, state and size. */
const kept = new Kept<Uint8Array>(60);

/** A page as it now is, as a PNG. @throws NoSuchDocumentError */
export async function previewPage(document: string, page: number, width: number): Promise<{ etag: string; png: Uint8Array }> {
  const { seq } = await documentHead(document);
  const etag = `${document}-${seq}-${page}-${width}`;
  return { etag, png: await kept.get(etag, () => typesetting({ job: 'preview', document, page, width })) };
}

/** What a typesetting thread answers to a job. @throws Error when it stops without an answer */
export const typesetting = <T>(job: WorkerJob): Promise<T> =>
  new Promise((resolve, reject) => {
    const worker = start(job);
    worker.once('message', resolve);
    worker.once('error', reject);
    worker.once('exit', () => reject(new Error('The page could not be drawn.')));
  });
