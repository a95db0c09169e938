'use client';

import { useEffect } from 'react';
import type { DeskStore } from '@/client/deskStore';
import type { Say } from './useNotices';

/**
 * Tells when a change was refused because somebody else changed the same thing first. What is stored is what is seen;
 * what was refused can be done again on it, as a change of its own.
 */
export function useConflicts(store: Pick<DeskStore, 'onRefused'>, say: Say): void {
  useEffect(() => {
    store.onRefused = (message, again) =>
      say(`${message} You see what is stored.`, 'wrong', again && { name: 'Take my version instead', run: again });
  }, [store, say]);
}
