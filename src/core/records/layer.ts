import type { RecordBase } from './common';
import { type Kind, LINE, maybe, ORDER, YES_OR_NO } from './kind';

/**
 * Frames all through an issue that are shown, locked and printed together: those of one language or variant, or notes that
 * go to nobody. What lies above what is the matter of each page.
 */
export interface LayerRecord extends RecordBase<'layer'> {
  readonly name: string;
  readonly order: string;
  readonly hidden?: boolean | undefined;
  readonly locked?: boolean | undefined;
  /** It is seen on the desk, and in nothing that is delivered. */
  readonly unprinted?: boolean | undefined;
}

export const LAYER: Kind<LayerRecord> = {
  called: 'layer',
  fields: {
    name: LINE,
    order: ORDER,
    hidden: maybe(YES_OR_NO),
    locked: maybe(YES_OR_NO),
    unprinted: maybe(YES_OR_NO),
  },
};
