'use client';

import { useId } from 'react';
import { useCommitted } from './useCommitted';
import { Wrong } from './Wrong';

interface WordsFieldProps {
  readonly label: string;
  readonly value: string;
  readonly most?: number;
  /** @throws Error with a sentence where the words would not do; they stay in the field, to be mended */
  readonly onChange: (words: string) => void;
}

/** A field for a few words: they count when it is left or Enter is pressed. */
export function WordsField({ label, value, most = 400, onChange }: WordsFieldProps) {
  const id = useId();
  const { typed, wrong, type, commit, onKeyDown, atRest } = useCommitted((words) => words !== value && onChange(words));
  return (
    <div className="min-w-0 flex-1">
      <label htmlFor={id} className="text-2xs opacity-70">
        {label}
      </label>
      <input
        id={id}
        className="field narrow"
        maxLength={most}
        value={typed ?? value}
        aria-invalid={wrong !== undefined}
        aria-describedby={wrong ? `${id}-wrong` : undefined}
        onChange={(event) => type(event.target.value)}
        onBlur={commit}
        onKeyDown={onKeyDown}
        {...atRest}
      />
      <Wrong field={id} wrong={wrong} />
    </div>
  );
}
