'use client';

import { Dialog } from '@/parts/Dialog';
import type { Command } from './commands';

/** The shortcuts, by what they do. */
export function Help({ commands, onClose }: { commands: readonly Command[]; onClose: () => void }) {
  return (
    <Dialog title="Shortcuts" onClose={onClose} wide>
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
        <p className="pt-4 opacity-75">
          Drag over empty grid to mark out a stretch; it asks what it shall be. Hold Alt to mark out over frames, or to move a
          frame without catching on the grid.
        </p>
      </div>
    </Dialog>
  );
}
