'use client';

import { useId, useState } from 'react';
import { Wrong } from './Wrong';

interface SelectProps<T extends string> {
  readonly label: string;
  readonly help?: string | undefined;
  readonly value: T;
  readonly of: readonly { readonly value: T; readonly name: string; readonly disabled?: boolean }[];
  /** @throws Error with a sentence where the value would not do; it is said at the field */
  readonly onChange: (value: T) => void;
}

/** One of many, named above. */
export function Select<T extends string>({ label, help, value, of, onChange }: SelectProps<T>) {
  const id = useId();
  const [wrong, setWrong] = useState<string>();
  const choose = (next: T) => {
    try {
      onChange(next);
      setWrong(undefined);
    } catch (error) {
      setWrong((error as Error).message);
    }
  };
  return (
    <div className="min-w-0 flex-1">
      <label htmlFor={id} title={help} className="text-2xs opacity-70">
        {label}
      </label>
      <select
        id={id}
        className="field narrow"
        value={value}
        aria-invalid={wrong !== undefined}
        aria-describedby={wrong ? `${id}-wrong` : undefined}
        onChange={(event) => choose(event.target.value as T)}
      >
        {of.map((each) => (
          <option key={each.value} value={each.value} disabled={each.disabled}>
            {each.name}
          </option>
        ))}
      </select>
      <Wrong field={id} wrong={wrong} />
    </div>
  );
}
