'use client';

import { useId, useState } from 'react';

interface WordsFieldProps {
  readonly label: string;
  readonly value: string;
  readonly most?: number;
  /** @throws Error with a sentence where the words would not do; they stay in the field, to be mended */
  readonly onChange: (words: string) => void;
}

/** A field for a few words: they count when it is left or Enter is pressed. */
export function WordsField({ label, value, most = 400, onChange }: WordsFieldProps) {
  const [typed, setTyped] = useState<string>();
  const [wrong, setWrong] = useState<string>();
  const id = useId();
  const commit = () => {
    if (typed === undefined) return;
    try {
      if (typed !== value) onChange(typed);
      setTyped(undefined);
      setWrong(undefined);
    } catch (error) {
      setWrong((error as Error).message);
    }
  };
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
        onChange={(event) => {
          setTyped(event.target.value);
          setWrong(undefined);
        }}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
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
