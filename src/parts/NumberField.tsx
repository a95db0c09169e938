'use client';

import { useId, useState } from 'react';
import { formatNumber } from '@/core/length/length';

interface NumberFieldProps {
  readonly label: string;
  readonly value: number;
  /** Written behind the number: "°", "%". */
  readonly unit?: string;
  readonly least: number;
  readonly most: number;
  readonly whole?: boolean;
  readonly onChange: (value: number) => void;
}

/** A field for one number within limits, and a sentence where what was typed is none. */
export function NumberField({ label, value, unit = '', least, most, whole = false, onChange }: NumberFieldProps) {
  const [typed, setTyped] = useState<string>();
  const [wrong, setWrong] = useState<string>();
  const id = useId();
  const shown = `${formatNumber(value, whole ? 0 : 1)}${unit && ` ${unit}`}`;
  const commit = () => {
    if (typed === undefined) return;
    const text = typed.replace(unit, '').replace(',', '.').trim();
    const next = text === '' ? NaN : Number(text);
    if (!Number.isFinite(next) || next < least || next > most || (whole && !Number.isInteger(next)))
      return setWrong(`A ${whole ? 'whole ' : ''}number from ${formatNumber(least, 1)} to ${formatNumber(most, 1)}.`);
    setTyped(undefined);
    if (next !== value) onChange(next);
  };
  return (
    <div className="min-w-0 flex-1">
      <label htmlFor={id} className="text-2xs opacity-70">
        {label}
      </label>
      <input
        id={id}
        className="field narrow"
        inputMode="decimal"
        value={typed ?? shown}
        aria-invalid={wrong !== undefined}
        aria-describedby={wrong ? `${id}-wrong` : undefined}
        onFocus={(event) => event.target.select()}
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
