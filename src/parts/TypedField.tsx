'use client';

import { useId, useRef } from 'react';
import { useCommitted } from './useCommitted';
import { Wrong } from './Wrong';

interface TypedFieldProps {
  readonly label: string;
  readonly hideLabel?: boolean;
  readonly value: number;
  /** The value as it is read. */
  readonly shown: string;
  /** @throws Error with a sentence where what was typed is no value */
  readonly read: (typed: string) => number;
  /** @throws Error with a sentence where the value would not do; it stays in the field, to be mended */
  readonly onChange: (value: number) => void;
}

/** A field for one figure: what is typed counts when it is left or Enter is pressed, and a sentence says where it cannot. */
export function TypedField({ label, hideLabel = false, value, shown, read, onChange }: TypedFieldProps) {
  const id = useId();
  // A press that brings the focus here chooses all of the field, so that typing replaces it.
  const fresh = useRef(false);
  const { typed, wrong, type, commit, onKeyDown, atRest } = useCommitted((words) => {
    const next = read(words);
    if (Math.abs(next - value) > 1e-6) onChange(next);
  });
  return (
    <div className="min-w-0 flex-1">
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'text-2xs opacity-70'}>
        {label}
      </label>
      <input
        id={id}
        className="field narrow"
        value={typed ?? shown}
        aria-invalid={wrong !== undefined}
        aria-describedby={wrong ? `${id}-wrong` : undefined}
        onFocus={(event) => {
          fresh.current = true;
          event.target.select();
        }}
        onMouseUp={(event) => {
          if (fresh.current) event.currentTarget.select();
          fresh.current = false;
        }}
        onChange={(event) => type(event.target.value)}
        onBlur={commit}
        onKeyDown={onKeyDown}
        {...atRest}
      />
      <Wrong field={id} wrong={wrong} />
    </div>
  );
}
