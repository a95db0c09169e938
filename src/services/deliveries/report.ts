import { findDelivery } from '@/store/deliveries';
import { reportPage } from '@/formats/report/report';
import { NotThereError } from '../errors';

/** What was found before a delivery was made, as a page. @throws NotThereError */
export async function deliveryReport(id: string): Promise<string> {
  const delivery = await findDelivery(id);
  if (!delivery?.report) throw new NotThereError('There is no report of that delivery.');
  return reportPage(delivery.report);
}
