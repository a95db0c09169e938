import sharp from 'sharp';
import { pool } from '@/store/pool';
import { reasonOf } from '../errors';
import { makeDelivery } from './delivery';
import { drawPage } from './pictures';

/** What a typesetting process is started for. Bundled by itself into `.build/`, with the same core as the browser's. */
export type TypesettingOrder =
  | { readonly job: 'delivery'; readonly id: string }
  | { readonly job: 'page'; readonly document: string; readonly page: number; readonly width: number };

/** What comes back: why it could not be made, if so. */
export interface TypesettingAnswer {
  readonly failed: string | undefined;
}

sharp.concurrency(1);
sharp.cache(false);

const make = (order: TypesettingOrder): Promise<void> =>
  order.job === 'delivery' ? makeDelivery(order.id) : drawPage(order.document, order.page, order.width);

process.once('message', (order: TypesettingOrder) => {
  void make(order)
    .then(
      (): TypesettingAnswer => ({ failed: undefined }),
      (error: unknown): TypesettingAnswer => ({ failed: reasonOf(error) }),
    )
    .then((answer) => process.send!(answer))
    .then(() => pool().end())
    .then(() => process.disconnect());
});
// Its server has gone: another begins anew.
process.once('disconnect', () => process.exit(0));
