'use client';

import { useState } from 'react';
import { Dialog } from '@/parts/Dialog';
import { Select } from '@/parts/Select';

interface RemovingProps {
  readonly name: string;
  /** How many things use it. */
  readonly uses: number;
  /** What can take its place. */
  readonly others: readonly { readonly id: string; readonly name: string }[];
  readonly onRemove: (instead: string) => void;
  readonly onClose: () => void;
}

/** Asks what takes the place of something that is removed while it is used. */
export function Removing({ name, uses, others, onRemove, onClose }: RemovingProps) {
  const [instead, setInstead] = useState(others[0]?.id ?? '');
  return (
    <Dialog title={`Remove ${name}`} onClose={onClose}>
      <form
        className="flex flex-col gap-3 p-5"
        onSubmit={(event) => {
          event.preventDefault();
          onRemove(instead);
          onClose();
        }}
      >
        <h2 className="text-base font-semibold">Remove “{name}”?</h2>
        <p className="opacity-75">
          It is used {uses === 1 ? 'once' : `${uses} times`}. Choose what takes its place there; one Undo brings all of it back.
        </p>
        <Select
          label="Replace it with"
          value={instead}
          of={others.map((other) => ({ value: other.id, name: other.name }))}
          onChange={setInstead}
        />
        <div className="flex justify-end gap-2 pt-1">
          <button type="button" className="btn btn-ghost btn-sm" onClick={onClose}>
            Keep
          </button>
          <button type="submit" className="btn btn-primary btn-sm font-semibold">
            Remove
          </button>
        </div>
      </form>
    </Dialog>
  );
}
