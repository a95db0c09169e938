import { type Document, framesOn } from '../records/document';
import type { SlotContent } from '../records/frame';
import type { FrameRecord } from '../records/index';
import { inheritedFrames, masterFrames, type PlacedPage } from './pages';

/** A frame that is a slot. */
export type SlotFrame = FrameRecord & { readonly content: SlotContent };

export const isSlot = (frame: FrameRecord): frame is SlotFrame => frame.content.type === 'slot';

export const isFlow = (frame: FrameRecord): boolean => isSlot(frame) && frame.content.takes === 'flow';

/** The slots that wait on a page: its own, and its master's that nothing fills. */
export const slotsOn = (document: Document, page: PlacedPage): SlotFrame[] =>
  [...inheritedFrames(document, page), ...framesOn(document, page.page.id)].filter(isSlot);

/** The flow area of a page's master on the page's side, in the order in which text runs through it. */
export const flowOf = (document: Document, { master, side }: PlacedPage): SlotFrame[] =>
  masterFrames(document, master.id, side)
    .filter((frame): frame is SlotFrame => isSlot(frame) && isFlow(frame))
    .sort((a, b) => (a.content.order < b.content.order ? -1 : 1));
