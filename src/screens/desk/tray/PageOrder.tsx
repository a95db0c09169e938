'use client';

import { Eye, EyeOff, GripVertical, Lock, LockOpen } from 'lucide-react';
import { useState } from 'react';
import { Button } from 'react-aria-components/Button';
import { GridList, GridListItem } from 'react-aria-components/GridList';
import { useDragAndDrop } from 'react-aria-components/useDragAndDrop';
import { counted } from '@/core/records/count';
import type { PlacedPage } from '@/core/page/pages';
import { framesOn } from '@/core/records/document';
import type { FrameRecord } from '@/core/records/index';
import { frameName } from '@/core/records/kinds/frames';
import type { Desk } from '../useDesk';
import { Layers } from './Layers';
import { Naming } from './Naming';

/** What lies on the pages in sight, the topmost first: chosen, named, locked and hidden here, and put above or below. */
export function PageOrder({ desk }: { desk: Desk }) {
  return (
    <>
      {desk.alone && (
        <p className="bg-secondary text-secondary-content mb-3 flex items-center gap-2 px-2 py-1" role="status">
          <span className="flex-1">{counted(desk.alone.size, 'frame is', 'frames are')} shown alone.</span>
          <button type="button" className="underline" onClick={() => desk.setAlone(undefined)}>
            Show all
          </button>
        </p>
      )}
      {desk.spread.pages.map((page) => (
        <Stack key={page.page.id} desk={desk} page={page} />
      ))}
      <Layers desk={desk} />
    </>
  );
}

function Stack({ desk, page }: { desk: Desk; page: PlacedPage }) {
  const { document, chosen, actions } = desk;
  const frames = [...framesOn(document, page.page.id)].reverse();
  const [naming, setNaming] = useState<string>();
  const { dragAndDropHooks } = useDragAndDrop({
    getItems: (keys) => [...keys].map((key) => ({ 'text/plain': String(key) })),
    onReorder: ({ keys, target }) => {
      const [moved] = [...keys];
      // The list goes down from the topmost: what comes before another in it lies above that.
      if (moved !== undefined)
        actions.restack(String(moved), String(target.key), target.dropPosition === 'before' ? 'above' : 'below');
    },
  });
  return (
    <section aria-label={`Page ${page.number}`} className="pb-4">
      <h3 className="chapter pb-1">Page {page.number}</h3>
      {frames.length === 0 ? (
        <p className="opacity-75">Nothing on this page yet. Drag a story or a picture onto it.</p>
      ) : (
        <GridList
          aria-label={`Frames of page ${page.number}, the topmost first`}
          selectionMode="multiple"
          selectionBehavior="replace"
          selectedKeys={[...chosen.ids].filter((id) => frames.some((frame) => frame.id === id))}
          onSelectionChange={(keys) => chosen.choose(keys === 'all' ? frames.map(({ id }) => id) : [...keys].map(String))}
          dragAndDropHooks={dragAndDropHooks}
          className="outline-none"
        >
          {frames.map((frame) => (
            <GridListItem
              key={frame.id}
              id={frame.id}
              textValue={frameName(document, frame)}
              className={({ isSelected, isFocusVisible }) =>
                `flex h-7 cursor-default items-center gap-1 border-b border-base-300 ${isSelected ? 'bg-primary text-primary-content' : 'hover:bg-base-200'} ${isFocusVisible ? 'focus-seen' : ''} ${frame.hidden ? 'opacity-60' : ''}`
              }
            >
              <Button slot="drag" aria-label="Drag to change the order" className="cursor-grab opacity-50">
                <GripVertical size={12} />
              </Button>
              {naming === frame.id ? (
                <Naming
                  of={frameName(document, frame)}
                  onNamed={(name) => {
                    setNaming(undefined);
                    if (name !== undefined) actions.mark([frame.id], { name: name.trim() || undefined });
                  }}
                />
              ) : (
                <span className="narrow min-w-0 flex-1 truncate" onDoubleClick={() => setNaming(frame.id)}>
                  {frameName(document, frame)}
                </span>
              )}
              <Mark frame={frame} what="locked" desk={desk} />
              <Mark frame={frame} what="hidden" desk={desk} />
            </GridListItem>
          ))}
        </GridList>
      )}
    </section>
  );
}

const WORDS = {
  locked: { on: 'Unlock', off: 'Lock' },
  hidden: { on: 'Show', off: 'Hide' },
} as const;

function Mark({ frame, what, desk }: { frame: FrameRecord; what: 'locked' | 'hidden'; desk: Desk }) {
  const on = frame[what] === true;
  const words = `${WORDS[what][on ? 'on' : 'off']} ${frameName(desk.document, frame)}`;
  const Icon = what === 'locked' ? (on ? Lock : LockOpen) : on ? EyeOff : Eye;
  return (
    <Button
      aria-label={words}
      className={`flex h-6 w-5 items-center justify-center ${on ? '' : 'opacity-40 hover:opacity-100'}`}
      onPress={() => desk.actions.mark([frame.id], { [what]: on ? undefined : true })}
    >
      <Icon size={13} />
    </Button>
  );
}
