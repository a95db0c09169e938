import sharp from 'sharp';
import { pool } from '@/store/pool';
import { reasonOf } from '../errors';
import { makeDelivery } from './delivery';
import { designPictures, drawPage } from './pictures';

/** What a typesetting process is started for. Bundled by itself into `.build/`, with the same core as the browser's. */
export type TypesettingOrder =
  | { readonly job: 'delivery'; readonly id: string }
  | { readonly job: 'page'; readonly document: string; readonly page: number; readonly width: number }
  | { readonly job: 'design'; readonly design: string; readonly palette: number; readonly width: number };

/** What comes back: what was made, or why it was not. */
export type TypesettingAnswer = { readonly made: unknown } | { readonly failed: string };

sharp.concurrency(1);
sharp.cache(false);

async function make(order: TypesettingOrder): Promise<unknown> {
  if (order.job === 'delivery') await makeDelivery(order.id);
  else if (order.job === 'page') await drawPage(order.document, order.page, order.width);
  else return designPictures(order.design, order.palette, order.width);
  return null;
}

process.once('message', (order: TypesettingOrder) => {
  void make(order)
    .then(
      (made): TypesettingAnswer => ({ made }),
      (error: unknown): TypesettingAnswer => ({ failed: reasonOf(error) }),
    )
    .then((answer) => process.send!(answer))
    .then(() => pool().end())
    .then(() => process.disconnect());
});
// Its server has gone: another begins anew.
process.once('disconnect', () => process.exit(0));
