'use client';

import { useSyncExternalStore } from 'react';
import type { DeskStore } from '@/client/deskStore';
import { Dialog } from '@/parts/Dialog';
import { LimitFields } from '../house/print/LimitFields';

/** What this one issue is checked against. */
export function LimitsDialog({ store, onClose }: { store: DeskStore; onClose: () => void }) {
  const { document } = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  return (
    <Dialog title="Limits of this issue" onClose={onClose}>
      <div className="flex flex-col gap-3 p-5">
        <h2 className="text-lg font-semibold">Limits of this issue</h2>
        <p className="opacity-75">They came from the house. What is changed here holds for this issue alone.</p>
        <LimitFields document={document} act={(label, action) => void store.act(label, action)} />
        <div>
          <button type="button" className="btn btn-primary btn-sm font-semibold" onClick={onClose}>
            Done
          </button>
        </div>
      </div>
    </Dialog>
  );
}
