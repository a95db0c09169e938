'use client';

import { useState } from 'react';

interface KeepAsProps {
  /** The button that asks for the name, "Keep as furniture …", and what the name is of, "the furniture". */
  readonly offer: string;
  readonly of: string;
  /** Keeps it; false where that could not be, which has been said. */
  readonly onKeep: (name: string) => boolean;
}

/** Something is kept under a name: a button, and in its place the field that it asks for. Esc takes that back. */
export function KeepAs({ offer, of, onKeep }: KeepAsProps) {
  const [naming, setNaming] = useState(false);
  if (!naming)
    return (
      <button type="button" className="btn btn-xs min-h-6 self-start" onClick={() => setNaming(true)}>
        {offer}
      </button>
    );
  return (
    <form
      className="flex items-end gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (onKeep(String(new FormData(event.currentTarget).get('name') ?? ''))) setNaming(false);
      }}
    >
      <label className="min-w-0 flex-1">
        <span className="text-2xs block opacity-70">Name of {of}</span>
        <input
          name="name"
          className="field"
          autoFocus
          maxLength={60}
          onKeyDown={(event) => {
            if (event.key !== 'Escape') return;
            event.stopPropagation();
            setNaming(false);
          }}
        />
      </label>
      <button type="submit" className="btn btn-xs min-h-6">
        Keep
      </button>
    </form>
  );
}
