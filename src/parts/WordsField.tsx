'use client';

import { type ChangeEvent, useId } from 'react';
import { useCommitted } from './useCommitted';
import { Wrong } from './Wrong';

interface WordsFieldProps {
  readonly label: string;
  readonly help?: string | undefined;
  readonly value: string;
  readonly most?: number;
  /** So many are in sight; with more than one, Enter begins a new line. */
  readonly lines?: number;
  /** @throws Error with a sentence where the words would not do; they stay in the field, to be mended */
  readonly onChange: (words: string) => void;
}

/** A field for words: they count when it is left, or Enter is pressed where it is one line. */
export function WordsField({ label, help, value, most = 400, lines = 1, onChange }: WordsFieldProps) {
  const id = useId();
  const { typed, wrong, type, commit, onKeyDown, atRest } = useCommitted((words) => words !== value && onChange(words));
  // Where there is room for it, it is read without asking.
  const saysHelp = lines > 1 && help !== undefined;
  const shared = {
    id,
    maxLength: most,
    value: typed ?? value,
    'aria-invalid': wrong !== undefined,
    'aria-describedby': wrong ? `${id}-wrong` : saysHelp ? `${id}-help` : undefined,
    onChange: (event: ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) => type(event.target.value),
    onBlur: commit,
    ...atRest,
  };
  return (
    <div className="min-w-0 flex-1">
      <label htmlFor={id} title={help} className="text-2xs opacity-75">
        {label}
      </label>
      {saysHelp && (
        <span id={`${id}-help`} className="text-2xs narrow pl-2 opacity-75">
          {help}
        </span>
      )}
      {lines > 1 ? (
        <textarea
          {...shared}
          rows={lines}
          className="field resize-y"
          onKeyDown={(event) => {
            if (event.key !== 'Enter' || event.ctrlKey || event.metaKey) onKeyDown(event);
          }}
        />
      ) : (
        <input {...shared} className="field narrow" onKeyDown={onKeyDown} />
      )}
      <Wrong field={id} wrong={wrong} />
    </div>
  );
}
