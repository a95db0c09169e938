'use client';

import type { ReactNode } from 'react';
import { followPointer } from '@/parts/followPointer';
import { isSpaceHeld } from '@/parts/lastInput';
import type { DeskView, OnScreen } from '../../sheet/useDeskView';

/** All that lies on the desk, and is turned with it. With the space bar held, or the middle button, the desk itself is moved, whatever lies under the pointer. */
export function OnDesk({ view, children }: { view: DeskView; children: ReactNode }) {
  return (
    <div
      className="absolute"
      style={view.layer}
      data-turned={view.turn}
      onPointerDownCapture={(event) => {
        if (event.button !== 1 && !(event.button === 0 && isSpaceHeld())) return;
        event.stopPropagation();
        event.preventDefault();
        let at: OnScreen = { clientX: event.clientX, clientY: event.clientY };
        followPointer(
          ({ clientX, clientY }) => {
            view.panBy(at, { clientX, clientY });
            at = { clientX, clientY };
          },
          () => undefined,
        );
      }}
    >
      {children}
    </div>
  );
}
