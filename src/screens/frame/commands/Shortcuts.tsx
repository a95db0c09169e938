'use client';

import { Dialog } from '@/parts/Dialog';
import { useSyncExternalStore } from 'react';
import { Tick } from '@/parts/Tick';
import type { Command } from './command';
import { singleKeys } from './singleKeys';

/** The shortcuts, by what they do. */
export function Shortcuts({ commands, onClose }: { commands: readonly Command[]; onClose: () => void }) {
  const single = useSyncExternalStore(singleKeys.subscribe, singleKeys.now, () => true);
  return (
    <Dialog title="Shortcuts" onClose={onClose} size="wide">
      <div className="p-5">
        <h2 className="pb-3 text-base font-semibold">Shortcuts</h2>
        <dl className="columns-2 gap-8">
          {commands
            .filter(({ keys }) => keys)
            .map(({ id, name, keys }) => (
              <div key={id} className="border-base-300 flex break-inside-avoid items-baseline gap-3 border-b py-1">
                <dt className="flex-1">{name}</dt>
                <dd>
                  <kbd className="narrow font-bold opacity-70">{keys}</kbd>
                </dd>
              </div>
            ))}
        </dl>
        <div className="pt-4">
          <Tick label="Letters and signs alone are shortcuts" value={single} onChange={singleKeys.turn} />
        </div>
        <p className="pt-4 opacity-75">
          In Pages, drag over empty grid to mark out a stretch; it then asks what goes there. Hold Alt to mark out over frames, or
          to move a frame without catching on the grid.
        </p>
      </div>
    </Dialog>
  );
}
