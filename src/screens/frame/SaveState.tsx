'use client';

import { useEffect, useState, useSyncExternalStore } from 'react';
import type { DeskStore } from '@/client/deskStore';

/** Milliseconds after which something that is being stored is said to be: what was done is to be seen first, in a frame of its own. */
const LATE = 120;

/** How far what was done has come; by itself, since it changes more often than anything around it. */
export function SaveState({ store }: { store: DeskStore }) {
  const state = useSyncExternalStore(store.subscribe, store.state, store.state);
  const [shown, setShown] = useState(state);
  useEffect(() => {
    const late = setTimeout(() => setShown(state), state.is === 'storing' ? LATE : 0);
    return () => clearTimeout(late);
  }, [state]);
  const time = (at: Date) => at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  const text =
    shown.is === 'storing'
      ? 'Saving …'
      : shown.is === 'waiting'
        ? shown.why
        : shown.is === 'behind'
          ? 'Not up to date'
          : shown.at
            ? `Saved ${time(shown.at)}`
            : 'Saved';
  return (
    <p
      role="status"
      aria-label="Save state"
      data-state={state.is}
      className={`mr-3 max-w-md truncate ${shown.is === 'waiting' || shown.is === 'behind' ? 'text-error' : 'text-success'}`}
      title={text}
    >
      {text}
    </p>
  );
}
