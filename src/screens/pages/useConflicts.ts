'use client';

import { useEffect } from 'react';
import type { DeskStore } from '@/client/deskStore';
import type { Say } from './useNotices';

/**
 * Tells when a change was refused because somebody else changed the same thing first. What is stored shows on the desk;
 * the version that was refused can be taken instead, as a change of its own.
 */
export function useConflicts(store: DeskStore, say: Say): void {
  useEffect(() => {
    store.onRefused = (message, mine) => {
      const again = () => {
        const now = store.document.records;
        const updated = mine.updated.flatMap(({ after }) => {
          const before = now.get(after.id);
          return before ? [{ before, after }] : [];
        });
        store.do('Take the refused version', { added: [], updated, removed: [] });
      };
      say(
        `${message} The desk shows what is stored.`,
        'wrong',
        mine.updated.length > 0 ? { name: 'Take my version instead', run: again } : undefined,
      );
    };
  }, [store, say]);
}
