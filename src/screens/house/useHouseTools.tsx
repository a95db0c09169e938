'use client';

import { useSyncExternalStore, type ReactNode } from 'react';
import type { DocumentStore } from '@/client/documentStore';
import type { Diff } from '@/core/records/diff';
import type { Document } from '@/core/records/document';
import { Notices } from '@/parts/Notices';
import { SaveState } from '../frame/SaveState';
import { undoOrRedo } from '../frame/undoOrRedo';
import { TurnButtons } from '../frame/TurnButtons';
import { useConflicts } from '../pages/useConflicts';
import { useNotices } from '../pages/useNotices';

/** What a chapter of a house works with. */
export interface HouseTools {
  readonly house: Document;
  /** Does a change. @throws ActionError with a sentence, for a field to say */
  readonly act: (label: string, action: (house: Document) => Diff) => void;
  /** Does what a button was pressed for, which has no field: the sentence why it cannot be done is said below. */
  readonly pressed: (work: () => void) => void;
  /** For the header: how far what was done is, undo and redo. For the foot: what is said. */
  readonly header: ReactNode;
  readonly notices: ReactNode;
}

export function useHouseTools(store: DocumentStore): HouseTools {
  const { document, undo, redo } = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  const { notices, say, close } = useNotices();
  useConflicts(store, say);
  const turn = (how: 'undo' | 'redo') => {
    void undoOrRedo(store, how, say);
  };
  return {
    house: document,
    act: (label, action) => store.do(label, action(store.document)),
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
        <TurnButtons undo={undo} redo={redo} onTurn={turn} />
      </>
    ),
    notices: <Notices notices={notices} onClose={close} />,
  };
}
