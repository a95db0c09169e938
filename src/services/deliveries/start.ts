import { Worker } from 'node:worker_threads';
import { format } from 'date-fns';
import { nanoid } from 'nanoid';
import { countRecords, documentHead } from '@/store/documents';
import { endDelivery, findDelivery, insertDelivery, type Delivery, type DeliveryOptions } from '@/store/deliveries';
import { NotThereError } from '../errors';
import { Kept } from '../kept';
import { Queue } from '../queue';
import type { WorkerJob } from './worker';

/** The thread is a bundle of its own (`scripts/setup/bundle.mjs`): the server's bundler is not to look into it. */
function start(job: WorkerJob): Worker {
  const bundle = [process.cwd(), '.build', 'typesetting.worker.mjs'].join('/');
  return new Worker(/* turbopackIgnore: true */ bundle, { workerData: job, env: process.env });
}

/** Pages and pictures composed at the same time, and PDFs made: what is more waits in line. */
const drawing = new Queue(2);
const delivering = new Queue(1);

/** Begins making a PDF in a thread of its own and gives the delivery to ask after. @throws NoSuchDocumentError */
export async function startDelivery(document: string, options: DeliveryOptions): Promise<Delivery> {
  const head = await documentHead(document);
  const id = nanoid(12);
  const stem = `${head.publicationName} ${head.name}`.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '');
  const fileName = `${stem}-${options.purpose}-${format(new Date(), 'yyyyMMdd-HHmm')}.pdf`;
  await insertDelivery({ id, document, seq: head.seq, options, fileName });
  const message = (why: string) => ({ state: 'failed', message: `The PDF could not be made: ${why}` }) as const;
  void delivering
    .run(() => made(id))
    .then(() => endDelivery(id, message('the typesetting thread stopped.')))
    .catch((error: Error) => endDelivery(id, message(error.message)))
    .catch(() => undefined);
  return (await findDelivery(id))!;
}

/** Resolves when the thread that makes a delivery has ended; one that was cancelled while it waited is not begun. */
async function made(id: string): Promise<void> {
  if ((await findDelivery(id))?.state !== 'waiting') return;
  const worker = start({ job: 'delivery', id });
  await new Promise<void>((resolve, reject) => {
    worker.once('error', reject);
    worker.once('exit', () => resolve());
  });
}

/** Stops a delivery under way; the thread notices after the page it is at. @throws NotThereError */
export async function cancelDelivery(id: string): Promise<void> {
  if (!(await findDelivery(id))) throw new NotThereError('There is no such delivery.');
  await endDelivery(id, { state: 'cancelled', message: 'Cancelled.' });
}

/** Pictures of pages that were made lately, by document, state and size. */
const kept = new Kept<Uint8Array>(60);

/** A page as it now is, as a PNG. @throws NoSuchDocumentError, NotThereError */
export async function previewPage(
  document: string,
  page: number,
  width: number,
  signal?: AbortSignal,
): Promise<{ etag: string; png: Uint8Array }> {
  const { seq } = await documentHead(document);
  if (page < 1 || page > (await countRecords(document, 'page'))) throw new NotThereError(`There is no page ${page}.`);
  const etag = `${document}-${seq}-${page}-${width}`;
  return { etag, png: await kept.get(etag, (stop) => typesetting({ job: 'preview', document, page, width }, stop), signal) };
}

/** What a typesetting thread answers to a job, when its turn has come. @throws Error when it stops without an answer */
export const typesetting = <T>(job: WorkerJob, signal?: AbortSignal): Promise<T> =>
  drawing.run(
    () =>
      new Promise<T>((resolve, reject) => {
        const worker = start(job);
        worker.once('message', resolve);
        worker.once('error', reject);
        worker.once('exit', () => reject(new Error('The page could not be drawn.')));
        signal?.addEventListener('abort', () => void worker.terminate());
      }),
    signal,
  );
