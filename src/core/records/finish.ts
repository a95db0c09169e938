import type { RecordBase } from './common';
import type { FrameLook, Lengths, Wrap } from './frame';

/** A frame's look: what it does not say, frames of it do not have; but for form, inset and wrap, which stay the frame's own then. */
export interface FinishLook extends FrameLook {
  readonly inset?: Lengths | undefined;
  /** Which outline is meant is the frame's own. */
  readonly wrap?: Pick<Wrap, 'mode' | 'standOff' | 'side'> | undefined;
}

/** A frame's look, kept by name. */
export interface FinishRecord extends RecordBase<'finish'> {
  readonly name: string;
  readonly order: string;
  readonly look: FinishLook;
}
