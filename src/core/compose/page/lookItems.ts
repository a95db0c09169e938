import type { Box } from '../../geometry/box';
import type { Document } from '../../records/document';
import type { FinishLook } from '../../records/finish';
import type { FrameRecord } from '../../records/index';
import type { Item } from '../displayList/displayList';
import type { Inks } from '../displayList/inks';
import { areaItems } from './areaItems';

/** A look by itself: the items of a panel that has it. */
export function lookItems(document: Document, inks: Inks, id: string, look: FinishLook, box: Box): readonly Item[] {
  const { inset: _, wrap: __, ...shown } = look;
  const frame: FrameRecord = {
    id,
    kind: 'frame',
    on: '',
    side: 'both',
    box,
    order: 'a0',
    content: { type: 'panel' },
    wrap: { mode: 'none', standOff: 0, outline: 'shape' },
    ...shown,
  };
  const { under, over } = areaItems(document, inks, frame, box, undefined, undefined);
  return [...under, ...over];
}
