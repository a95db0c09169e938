import { inTypesetter } from '../typesetting/typesetter';
import type { JobKind } from './kind';

export interface DesignOrder {
  /** The design, by id. */
  readonly design: string;
  readonly palette: number;
  readonly width: number;
}

/** Draws the recurring pages of a starting design, as PNGs in base64. */
export const designPages: JobKind<DesignOrder, readonly string[]> = {
  name: 'design-pages',
  atOnce: 1,
  run: async (order, signal) =>
    (await inTypesetter<readonly Uint8Array[]>({ job: 'design', ...order }, signal)).map((png) =>
      Buffer.from(png).toString('base64'),
    ),
};
