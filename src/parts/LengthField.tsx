'use client';

import { useId, useRef, useState } from 'react';
import { formatLength, LengthError, parseLength, type Unit } from '@/core/length/length';

interface LengthFieldProps {
  readonly label: string;
  /** Points. */
  readonly value: number;
  readonly unit?: Unit;
  readonly onChange: (points: number) => void;
  readonly hideLabel?: boolean;
}

/** A field for one length: takes any unit and simple arithmetic, and says so where what was typed is no length. */
export function LengthField({ label, value, unit = 'mm', onChange, hideLabel = false }: LengthFieldProps) {
  const [typed, setTyped] = useState<string | undefined>();
  const [wrong, setWrong] = useState<string | undefined>();
  const id = useId();
  // A press that brings the focus here chooses all of the field, so that typing replaces it.
  const fresh = useRef(false);

  const commit = () => {
    if (typed === undefined) return;
    try {
      const points = parseLength(typed, unit);
      setTyped(undefined);
      setWrong(undefined);
      if (Math.abs(points - value) > 1e-6) onChange(points);
    } catch (error) {
      setWrong(error instanceof LengthError ? error.message : (error as Error).message);
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
        value={typed ?? formatLength(value, unit)}
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
          if (event.key === 'Enter') commit();
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
