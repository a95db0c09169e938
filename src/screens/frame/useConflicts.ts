'use client';

import { useEffect } from 'react';
import type { DeskStore } from '@/client/deskStore';
import type { Say } from './useNotices';

/**
 * Tells when a change was refused because somebody else changed the same thing first. What is stored is what is seen;
 * what was refused can be done again on it, as a change of its own, and words that have no place any more are kept.
 */
export function useConflicts(store: Pick<DeskStore, 'onRefused'>, say: Say): void {
  useEffect(() => {
    store.onRefused = (message, again, words) => {
      const copy = () => void navigator.clipboard.writeText(words).catch(() => say(`What you wrote: ${words}`, 'wrong'));
      const mend = again
        ? { name: 'Take my version instead', run: again }
        : words !== ''
          ? { name: 'Copy what I wrote', run: copy }
          : undefined;
      say(`${message} You see what is stored.`, 'wrong', mend);
    };
  }, [store, say]);
}
