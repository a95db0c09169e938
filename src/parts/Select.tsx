'use client';

import { useId } from 'react';

interface SelectProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly of: readonly { readonly value: T; readonly name: string; readonly disabled?: boolean }[];
  readonly onChange: (value: T) => void;
}

/** One of many, named above. */
export function Select<T extends string>({ label, value, of, onChange }: SelectProps<T>) {
  const id = useId();
  return (
    <div className="min-w-0 flex-1">
      <label htmlFor={id} className="text-2xs opacity-70">
        {label}
      </label>
      <select id={id} className="field narrow" value={value} onChange={(event) => onChange(event.target.value as T)}>
        {of.map((each) => (
          <option key={each.value} value={each.value} disabled={each.disabled}>
            {each.name}
          </option>
        ))}
      </select>
    </div>
  );
}
