'use client';

import { useId, useRef, useState } from 'react';

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
  const [typed, setTyped] = useState<string>();
  const [wrong, setWrong] = useState<string>();
  const id = useId();
  // A press that brings the focus here chooses all of the field, so that typing replaces it.
  const fresh = useRef(false);

  const commit = () => {
    if (typed === undefined) return;
    try {
      const next = read(typed);
      if (Math.abs(next - value) > 1e-6) onChange(next);
      setTyped(undefined);
      setWrong(undefined);
    } catch (error) {
      setWrong((error as Error).message);
    }
  };
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
        onChange={(event) => {
          setTyped(event.target.value);
          setWrong(undefined);
        }}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            // In a form, what is typed is to be seen before it is sent.
            event.preventDefault();
            commit();
          }
          if (event.key === 'Escape' && typed !== undefined) {
            event.stopPropagation();
            setTyped(undefined);
            setWrong(undefined);
          }
        }}
      />
      {wrong && (
        <p id={`${id}-wrong`} role="alert" className="text-2xs text-error pt-0.5">
          {wrong}
        </p>
      )}
    </div>
  );
}
