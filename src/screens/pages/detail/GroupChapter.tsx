'use client';

import type { Wrap } from '@/core/records/frame';
import type { GroupRecord } from '@/core/records/index';
import { WrapChapter } from './WrapChapter';

interface GroupChapterProps {
  readonly count: number;
  /** The group that is chosen whole; undefined where frames of none, or of several, are. */
  readonly group: GroupRecord | undefined;
  readonly onGroup: () => void;
  readonly onUngroup: () => void;
  readonly onWrap: (wrap: Partial<Wrap>) => void;
}

/** Several frames: they can be made one. */
export function GroupChapter({ count, group, onGroup, onUngroup, onWrap }: GroupChapterProps) {
  return (
    <>
      <section aria-label="Frames">
        <h2 className="font-semibold">{group ? `A group of ${count} frames` : `${count} frames`}</h2>
        <p className="pt-1 opacity-75">
          {group
            ? 'They move together, and text keeps away from them as from one. Press one of them again to choose it alone.'
            : 'Grouped, they move together, and text keeps away from them as from one.'}
        </p>
        <button type="button" className="btn btn-xs mt-2" onClick={group ? onUngroup : onGroup}>
          {group ? 'Take the group apart' : 'Group them'}
        </button>
      </section>
      {group && (
        <WrapChapter
          key={group.id}
          name="Text wrap of the group"
          wrap={group.wrap}
          outlines={[
            { value: 'shape', name: 'The forms of its frames' },
            { value: 'background', name: 'What is before plain backgrounds' },
            { value: 'alpha', name: 'What is not transparent' },
          ]}
          onWrap={onWrap}
        />
      )}
    </>
  );
}
