import { all, type Document, documentOf, find } from '../records/document';
import type { FrameRecord } from '../records/index';

type Marked = Pick<FrameRecord, 'hidden' | 'locked' | 'layer'>;

/** Neither a frame nor its layer is hidden. */
export const isShown = (document: Document, { hidden, layer }: Marked): boolean =>
  !hidden && !(layer !== undefined && find(document, 'layer', layer)?.hidden);

/** A frame is locked by itself, or with its layer. */
export const isLocked = (document: Document, { locked, layer }: Marked): boolean =>
  locked === true || (layer !== undefined && find(document, 'layer', layer)?.locked === true);

/** A document as it is sent out: without what lies on layers that do not print. */
export function asDelivered(document: Document): Document {
  const unprinted = all(document, 'layer').filter((layer) => layer.unprinted && !layer.hidden);
  if (unprinted.length === 0) return document;
  return documentOf([...document.records.values(), ...unprinted.map((layer) => ({ ...layer, hidden: true }))]);
}
