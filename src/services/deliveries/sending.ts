import { randomUUID } from 'node:crypto';
import { type Delivery, findDelivery, noteSent } from '@/store/deliveries';
import { BadRequestError, NotThereError } from '../errors';
import { jobs } from '../jobs/jobs';
import { sendToShop } from '../jobs/sendToShop';
import { shopUrl } from './printShop';

/** Begins to send a print PDF to the print shop. @throws NotThereError, BadRequestError, BusyError */
export async function beginSending(id: string): Promise<Delivery> {
  shopUrl();
  const delivery = await findDelivery(id);
  if (!delivery?.blob || delivery.state !== 'done') throw new NotThereError('That file is not there, or not ready yet.');
  if (delivery.options.way !== 'print' || delivery.options.choices.sheets !== 'pages')
    throw new BadRequestError('A print shop takes the print PDF in single pages.');
  if (delivery.sent?.state === 'sending') return delivery;
  await noteSent(id, { state: 'sending' });
  try {
    await jobs().send(sendToShop, { delivery: id }, randomUUID());
  } catch (error) {
    await noteSent(id, { state: 'failed', message: (error as Error).message });
    throw error;
  }
  return (await findDelivery(id))!;
}
