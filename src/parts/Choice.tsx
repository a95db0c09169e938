'use client';

import type { ReactNode } from 'react';
import { Radio, RadioGroup } from 'react-aria-components/RadioGroup';

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly of: readonly {
    readonly value: T;
    readonly name: string;
    readonly disabled?: boolean | undefined;
    /** Shown before its name. */
    readonly sign?: ReactNode;
  }[];
  readonly onChange: (value: T) => void;
  /** How each looks, by whether it is chosen; a small button when not said. */
  readonly look?: (isChosen: boolean) => string;
}

const button = (isChosen: boolean) =>
  `btn btn-xs narrow px-2 font-medium ${isChosen ? 'btn-secondary' : 'btn-ghost bg-base-content/5'}`;

/** One of a few, all in sight. */
export function Choice<T extends string>({ label, value, of, onChange, look = button }: ChoiceProps<T>) {
  return (
    <RadioGroup
      aria-label={label}
      orientation="horizontal"
      value={value}
      onChange={(next) => onChange(next as T)}
      className="flex flex-wrap gap-x-0.5 gap-y-0.5"
    >
      {of.map((each) => (
        <Radio
          key={each.value}
          value={each.value}
          isDisabled={each.disabled ?? false}
          className={({ isSelected, isFocusVisible, isDisabled }) =>
            `relative ${look(isSelected)} cursor-pointer ${isFocusVisible ? 'focus-seen' : ''} ${isDisabled ? 'btn-disabled' : ''}`
          }
        >
          {each.sign}
          {each.name}
        </Radio>
      ))}
    </RadioGroup>
  );
}
