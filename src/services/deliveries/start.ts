import { randomUUID } from 'node:crypto';
import { format } from 'date-fns';
import { nanoid } from 'nanoid';
import { WAYS } from '@/core/handoff/ways';
import type { DocumentHead } from '@/store/documents';
import { endDelivery, findDelivery, insertDelivery, type Delivery, type DeliveryOptions } from '@/store/deliveries';
import { NotThereError } from '../errors';
import { delivery } from '../jobs/delivery';
import { jobs } from '../jobs/jobs';

/** Begins making a file of a document as it now is, and gives the delivery to ask after. @throws BusyError */
export async function startDelivery(head: DocumentHead, options: DeliveryOptions): Promise<Delivery> {
  const id = nanoid(12);
  const job = randomUUID();
  const stem = `${head.publicationName} ${head.name}`.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '');
  const fileName = `${stem}-${options.way}-${format(new Date(), 'yyyyMMdd-HHmm')}.${WAYS[options.way].ending}`;
  await insertDelivery({ id, document: head.id, seq: head.seq, options, fileName, job });
  try {
    await jobs().send(delivery, { delivery: id }, job);
  } catch (error) {
    await endDelivery(id, { state: 'failed', message: (error as Error).message });
    throw error;
  }
  return (await findDelivery(id))!;
}

/** Stops a delivery, whether it waits or is under way. @throws NotThereError */
export async function cancelDelivery(id: string): Promise<void> {
  const found = await findDelivery(id);
  if (!found) throw new NotThereError('There is no such delivery.');
  await endDelivery(id, { state: 'cancelled', message: 'Cancelled.' });
  if (found.job) await jobs().cancel(delivery, found.job);
}
