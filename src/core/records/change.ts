import type { StoredDiff } from './stored';

/** Which change it is, without what it did. */
export type Heading = Omit<Change, 'diff'>;

/** A change as it is kept and sent about: a diff, with who made it, when, and why. */
export interface Change {
  /** Changes of a document are numbered from 1, without gaps. */
  readonly seq: number;
  /** Chosen by who made it, so that sending a change twice makes one change. */
  readonly id: string;
  readonly author: string;
  readonly label: string;
  readonly kind: 'edit' | 'undo' | 'redo';
  /** The number of the edit that an undo takes back or a redo does again. */
  readonly of: number | null;
  readonly diff: StoredDiff;
  /** ISO 8601, UTC. */
  readonly at: string;
}
