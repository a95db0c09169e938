import type { RecordBase } from './common';
import { type Kind, LINE, ORDER, SIZE } from './kind';

/**
 * Frames that are kept for reuse, as a masthead box, a calendar or a fact file: they lie on it as others lie on a page, from its top
 * left corner. Copies of them on pages know which of them they are copies of.
 */
export interface FurnitureRecord extends RecordBase<'furniture'> {
  readonly name: string;
  readonly order: string;
  /** Points. */
  readonly width: number;
  readonly height: number;
}

export const FURNITURE: Kind<FurnitureRecord> = {
  called: 'piece of furniture',
  offered: 'Furniture',
  fields: { name: LINE, order: ORDER, width: SIZE, height: SIZE },
};
