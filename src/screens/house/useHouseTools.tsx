'use client';

import { useSyncExternalStore, type ReactNode } from 'react';
import type { DocumentStore } from '@/client/documentStore';
import type { Diff } from '@/core/records/diff';
import type { Document } from '@/core/records/document';
import { Notices } from '@/parts/Notices';
import { SaveState } from '../frame/SaveState';
import { useCommands } from '../frame/commands/useCommands';
import { useConflicts } from '../frame/useConflicts';
import { useNotices } from '../frame/useNotices';

/** What a chapter of a house works with. */
export interface HouseTools {
  readonly house: Document;
  /** Does a change. @throws ActionError with a sentence, for a field to say */
  readonly act: (label: string, action: (house: Document) => Diff) => void;
  /** Does what a button was pressed for, which has no field: the sentence why it cannot be done is said below. */
  readonly pressed: (work: () => void) => void;
  /** For the header: how far what was done is, undo, redo and the commands. For the foot: what is said, and dialogs. */
  readonly header: ReactNode;
  readonly notices: ReactNode;
}

export function useHouseTools(store: DocumentStore): HouseTools {
  const { document } = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  const { notices, say, close } = useNotices();
  useConflicts(store, say);
  const { tools, dialogs } = useCommands({ store, say });
  return {
    house: document,
    act: (label, action) => void store.act(label, action),
    pressed: (work) => {
      try {
        work();
      } catch (error) {
        say((error as Error).message, 'wrong');
      }
    },
    header: (
      <>
        <SaveState store={store} />
        {tools}
      </>
    ),
    notices: (
      <>
        <Notices notices={notices} onClose={close} />
        {dialogs}
      </>
    ),
  };
}
