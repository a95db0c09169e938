import { RefusedFileError } from '@/formats/refused';
import { getBlob } from '@/store/blobs';
import { findDelivery, noteSent } from '@/store/deliveries';
import { sentToShop } from '../deliveries/printShop';
import type { JobKind } from './kind';

/** Sends a file to the print shop, and keeps what that says of it. */
export const sendToShop: JobKind<{ readonly delivery: string }, null> = {
  name: 'send-to-shop',
  atOnce: 1,
  async run({ delivery: id }, signal) {
    const delivery = await findDelivery(id);
    // One that was answered while its server died is not sent again.
    if (!delivery?.blob || delivery.sent?.state !== 'sending') return null;
    try {
      const { bytes } = await getBlob(delivery.blob);
      await noteSent(id, await sentToShop(delivery, bytes, signal));
    } catch (error) {
      signal.throwIfAborted();
      if (!(error instanceof RefusedFileError)) throw error;
      await noteSent(id, { state: 'failed', message: error.message });
    }
    return null;
  },
  async gaveUp({ delivery: id }, why) {
    await noteSent(id, { state: 'failed', message: `It could not be sent. ${why}` });
  },
};
