import { type Document, find } from '@/core/records/document';
import type { GroupRecord } from '@/core/records/index';
import type { FrameInSight } from './frameInSight';

/** The group whose frames these are, all and only they. */
export function wholeGroup(document: Document, chosen: readonly FrameInSight[]): GroupRecord | undefined {
  const group = find(document, 'group', chosen[0]?.frame.group);
  return group && chosen.every(({ frame }) => frame.group === group.id) ? group : undefined;
}
