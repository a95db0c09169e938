'use client';

import type { Wrap } from '@/core/records/frame';
import type { GroupRecord } from '@/core/records/index';
import { Group } from '@/parts/fields/Group';
import { wrapWords } from '../frames/frameWords';
import { WrapFields } from './FrameFields';

interface GroupChapterProps {
  readonly count: number;
  /** The group that is chosen whole; undefined where frames of none, or of several, are. */
  readonly group: GroupRecord | undefined;
  readonly onGroup: () => void;
  readonly onUngroup: () => void;
  readonly onWrap: (wrap: Partial<Wrap>) => void;
  /** Asks for other figures of the chart that the group draws. */
  readonly onChart: () => void;
}

/** Several frames: they can be made one. */
export function GroupChapter({ count, group, onGroup, onUngroup, onWrap, onChart }: GroupChapterProps) {
  return (
    <>
      <section aria-label="Frames">
        <h2 className="font-semibold">{group ? `A group of ${count} frames` : `${count} frames`}</h2>
        <p className="pt-1 opacity-75">
          {group
            ? 'They move together, and text wraps around them as one. Press one of them again to choose it alone.'
            : 'As a group they move together, and text wraps around them as one.'}
        </p>
        <button type="button" className="btn btn-xs mt-2" onClick={group ? onUngroup : onGroup}>
          {group ? 'Ungroup' : 'Group'}
        </button>
      </section>
      {group?.chart && (
        <button type="button" className="btn btn-xs min-h-6 self-start" onClick={onChart}>
          Change the chart …
        </button>
      )}
      {group && (
        <Group name="Text wrap of the group" now={wrapWords(group.wrap)}>
          <WrapFields
            wraps={[group.wrap]}
            outlines={['shape', 'background', 'alpha']}
            onChange={(key, value) => onWrap({ [key]: value })}
          />
        </Group>
      )}
    </>
  );
}
