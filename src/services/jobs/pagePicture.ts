import { inTypesetter } from '../typesetting/typesetter';
import type { JobKind } from './kind';

export interface PageOrder {
  readonly document: string;
  readonly page: number;
  readonly width: number;
}

/** Draws a page for shelf and handoff, and keeps it. */
export const pagePicture: JobKind<PageOrder, null> = {
  name: 'page-picture',
  atOnce: 2,
  async run(order, signal) {
    await inTypesetter({ job: 'page', ...order }, signal);
    return null;
  },
};
