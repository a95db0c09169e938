import type { RecordBase } from './common';
import type { Chart } from './chart';
import type { Wrap } from './frame';

/** Frames that belong together, as a picture with its caption and rule; text keeps away from them as from one. */
export interface GroupRecord extends RecordBase<'group'> {
  readonly name: string;
  readonly wrap: Wrap;
  /** They draw this. */
  readonly chart?: Chart | undefined;
}
