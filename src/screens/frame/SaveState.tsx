'use client';

import { useSyncExternalStore } from 'react';
import type { DeskStore } from '@/client/deskStore';

/** How far what was done has come; by itself, since it changes more often than anything around it. */
export function SaveState({ store }: { store: DeskStore }) {
  const state = useSyncExternalStore(store.subscribe, store.state, store.state);
  const time = (at: Date) => at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  const text =
    state.is === 'storing'
      ? 'Saving …'
      : state.is === 'waiting'
        ? state.why
        : state.is === 'behind'
          ? 'Not up to date'
          : state.at
            ? `Saved ${time(state.at)}`
            : 'Saved';
  return (
    <p
      role="status"
      aria-label="Save state"
      data-state={state.is}
      className={`mr-3 max-w-md truncate ${state.is === 'waiting' || state.is === 'behind' ? 'text-error' : 'text-success'}`}
      title={text}
    >
      {text}
    </p>
  );
}
