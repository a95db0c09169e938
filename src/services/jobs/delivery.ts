import { endDelivery, findDelivery } from '@/store/deliveries';
import { inTypesetter } from '../typesetting/typesetter';
import type { JobKind } from './kind';

/** Makes a file to be sent out, of an issue as it was when that was asked for. One at a time: it takes memory. */
export const delivery: JobKind<{ readonly delivery: string }, null> = {
  name: 'delivery',
  atOnce: 1,
  async run({ delivery: id }, signal) {
    const state = (await findDelivery(id))?.state;
    if (state === 'waiting' || state === 'working') await inTypesetter({ job: 'delivery', id }, signal);
    return null;
  },
  async gaveUp({ delivery: id }, why) {
    await endDelivery(id, { state: 'failed', message: `It could not be made. ${why}` });
  },
};
