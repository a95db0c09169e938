import { getBlob, NoSuchBlobError } from '@/store/blobs';
import { findDelivery, listDeliveries, type Delivery, type DeliveryOptions } from '@/store/deliveries';

export { findDelivery, listDeliveries };
export type { Delivery, DeliveryOptions };

/** The file of a finished delivery. @throws NoSuchBlobError */
export async function deliveredFile(id: string): Promise<{ name: string; media: string; bytes: Uint8Array }> {
  const delivery = await findDelivery(id);
  if (!delivery?.blob) throw new NoSuchBlobError('That file is not there, or not ready yet.');
  return { name: delivery.fileName, ...(await getBlob(delivery.blob)) };
}
